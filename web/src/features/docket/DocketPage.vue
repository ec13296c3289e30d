<script setup lang="ts">
import { computed, type Component } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useLive } from '@/api/live'
import { ImageGone, ImagingWork } from '@/features/bench'
import { CatalogueWork } from '@/features/catalogue'
import { ClosingWork } from '@/features/closing'
import { CopiesWork, provideCover } from '@/features/copies'
import { CustodyWork } from '@/features/custody'
import { provideWhich, useHand } from '@/features/devices'
import { CaseQuestions } from '@/features/desk'
import { capacity, day, words } from '@/ui/format/format'
import { HandoverWork } from '@/features/handover'
import { RecoveryWork } from '@/features/recovery'
import { ScanWork } from '@/features/scan'
import ComingLines from '@/ui/ComingLines.vue'
import RefusedNote from '@/ui/RefusedNote.vue'
import { useKeys } from '@/ui/keys'
import { TriageWork, useVocabulary } from '@/features/triage'
import CaseSpine from './CaseSpine.vue'
import DeviceCard from './DeviceCard.vue'
import CaseActions from './CaseActions.vue'
import { MessagesWork } from '@/features/outbox'
import { NotesWork } from '@/features/notes'
import { OthersHere, SinceStrip } from '@/features/presence'
import { PartnerWork } from '@/features/partner'
import { LabsWork } from '@/features/labs'
import { PhotosWork } from '@/features/photos'
import ReceivedWork from './ReceivedWork.vue'

const WORK: Record<string, Component> = {
  received: ReceivedWork,
  triaged: TriageWork,
  declined: TriageWork,
  imaging: ImagingWork,
  scanning: ScanWork,
  selection: CatalogueWork,
  recovery: RecoveryWork,
  handover: HandoverWork,
  closed: ClosingWork,
  custody: CustodyWork,
  copies: CopiesWork,
  partner: PartnerWork,
  labs: LabsWork,
  notes: NotesWork,
  photos: PhotosWork,
  messages: MessagesWork,
}
const route = useRoute()
const router = useRouter()
const number = String(route.params.number)
const mine = (_: string, c: string) => c === number
const docket = useLive('/api/cases/{number}', () => ({ path: { number } }), mine)
const hand = useHand(() => docket.data.value)
provideWhich(() => docket.data.value)
provideCover(number)
/** Of the device at hand; asked once it is known which that is. */
const ofDevice = () => (hand.device.value ? { path: { number }, query: { device: hand.device.value.id } } : undefined)
const locks = useLive('/api/cases/{number}/locks', ofDevice, (what, c) => c === number && what === 'case')
const ranking = useLive('/api/cases/{number}/triage', ofDevice, (what, c) => c === number && what === 'case')
const devices = useLive(
  '/api/cases/{number}/devices',
  () => (hand.several.value ? { path: { number } } : undefined),
  (what, c) => c === number && ['case', 'bench', 'imaging', 'scan', 'health'].includes(what),
)
const states = computed(() => devices.data.value ?? [])
const wanted = useLive(
  '/api/cases/{number}/catalogue/wanted',
  () => ({ path: { number } }),
  (what, c) => c === number && (what === 'scan' || what === 'case'),
)
const vocabulary = useVocabulary()
const stageNow = computed(() => (docket.data.value?.hold ? docket.data.value.hold.from : docket.data.value?.stage))
const place = computed(() => String(route.params.place || stageNow.value || 'received'))
const work = computed(() => WORK[place.value])
const lead = computed(() => {
  const [first, ...rest] = docket.data.value?.devices ?? []
  if (!first) return ''
  const holds = first.capacity ? ` ${capacity(first.capacity)}` : ''
  return `${words(first.type)}${holds}${rest.length ? ` and ${rest.length} more` : ''}`
})
const wide = computed(() => place.value === 'selection')

useKeys([{ key: 'E', does: 'edit intake', run: () => void router.push(`/cases/${number}/intake`) }])
/** The case in a line. */
const about = computed(() => {
  const it = docket.data.value
  if (!it) return ''
  return [
    it.contactPerson,
    lead.value,
    it.path ? words(it.path) : 'path not decided',
    it.deadline ? `needed by ${day(it.deadline)}` : '',
  ]
    .filter(Boolean)
    .join(' · ')
})
</script>

<template>
  <div v-if="docket.data.value" class="docket">
    <header class="dk-head">
      <h1 class="dk-no">{{ number }}</h1>
      <span class="whose">{{ docket.data.value.customer.name }}</span>
      <span class="text-body-secondary s text-truncate" :title="about">{{ about }}</span>
      <span class="flex-fill" />
      <OthersHere :number="number" :place="place" />
      <span v-if="wide" class="s text-nowrap c-stop fw-semibold">nothing is written to the device</span>
      <CaseActions :docket="docket.data.value" @changed="docket.refresh" />
    </header>
    <RefusedNote :refused="docket.refused.value" />
    <div class="held">
      <SinceStrip :number="number" :entries="docket.data.value.custodyEntries" />
      <p v-if="docket.data.value.hold" class="warnbox">
        <b>On hold until {{ day(docket.data.value.hold.until) }}.</b> {{ docket.data.value.hold.reason }}
      </p>
      <ImageGone :number="number" />
    </div>
    <div class="dk-cols" :class="{ wide }">
      <CaseSpine :docket="docket.data.value" :place="place" :folded="wide" :states="states" :query="hand.query.value" />
      <section class="work" :aria-label="place">
        <CaseQuestions :number="number" :place="place" @acted="docket.refresh" />
        <component
          :is="work"
          v-if="work"
          :docket="docket.data.value"
          :ranking="ranking.data.value"
          :device="hand.device.value?.id"
          :wanted="wanted.data.value ?? []"
          :vocabulary="vocabulary"
          @changed="docket.refresh"
        />
        <p v-else class="empty">
          There is no stage ‘{{ place }}’.
          <RouterLink class="link" :to="`/cases/${number}`">Go to where the case stands</RouterLink>
        </p>
      </section>
      <DeviceCard
        v-if="!wide && hand.device.value"
        :docket="docket.data.value"
        :device="hand.device.value"
        :states="states"
        :ranking="ranking.data.value"
        :wanted="wanted.data.value ?? []"
        :vocabulary="vocabulary"
        :place="place"
        :locks="locks.data.value"
        @take="hand.take"
      />
    </div>
  </div>
  <div v-else class="page">
    <RefusedNote :refused="docket.refused.value" />
    <p v-if="docket.refused.value"><RouterLink class="link" to="/desk">Go to the Desk</RouterLink></p>
    <template v-else>
      <h1 class="dk-no">{{ number }}</h1>
      <ComingLines :of="docket" :lines="8" />
    </template>
  </div>
</template>

<style scoped>
.whose {
  font-size: 16px;
  font-weight: 650;
  white-space: nowrap;
}
.dk-no {
  margin: 0;
  white-space: nowrap;
}
.dk-head .text-truncate {
  flex: 0 1 auto;
  min-width: 0;
}
.docket {
  grid-template-rows: auto auto 1fr;
  grid-template-columns: minmax(0, 1fr);
}
.docket > .dk-head {
  min-height: 56px;
  grid-row: 1;
}
.docket > .dk-cols {
  grid-row: 3;
}
.held,
.docket > .refused {
  grid-row: 2;
}
.held > .warnbox,
.docket > .refused {
  margin: 6px 20px;
}
.wide {
  grid-template-columns: 44px minmax(0, 1fr);
}
.wide .work {
  padding: 0;
  border-right: 0;
}
@media (width <= 900px) {
  .dk-head {
    flex-wrap: wrap;
    padding: 8px 14px;
    gap: 6px 10px;
  }
  .docket {
    grid-template-rows: auto auto 1fr;
  }
}
</style>
