<script setup lang="ts">
import { Download, Phone } from 'lucide-vue-next'
import { computed, ref, shallowRef } from 'vue'
import { useRoute } from 'vue-router'
import { api, Refused } from '@/api/client'
import type { PortalPage } from '@/api/types'
import { bytes, count, dateAndTime, grouped, size } from '@/ui/format/format'
import HashSeam from '@/ui/instruments/HashSeam.vue'
import BrandMark from '@/ui/BrandMark.vue'
import CheckFiles from './CheckFiles.vue'
import ConfirmReceipt from './ConfirmReceipt.vue'
import FileList from './FileList.vue'
import FoundList from './FoundList.vue'
import LabPhone from './LabPhone.vue'
import PasscodeDoor from './PasscodeDoor.vue'
import PortalSteps from './PortalSteps.vue'
import { useCheck } from './useCheck'

const token = String(useRoute().params.token)
const page = shallowRef<PortalPage>()
const state = ref<'fetching' | 'locked' | 'open' | 'nothing'>('fetching')
const trouble = ref('')
const downloaded = ref(false)
const files = computed(() => page.value?.files ?? [])
const delivered = computed(() => files.value.filter((f) => f.path))
const check = useCheck(() => files.value)
const step = computed(() =>
  page.value?.receipt ? 3 : check.sum.value.checked > 0 ? (check.sum.value.waiting ? 2 : 3) : downloaded.value ? 2 : 0,
)

async function load(): Promise<void> {
  try {
    page.value = await api.get('/api/portal/{token}', { path: { token } })
    state.value = 'open'
  } catch (e) {
    if (!(e instanceof Refused)) throw e
    trouble.value = e.message
    state.value = e.status === 401 ? 'locked' : 'nothing'
  }
}
void load()
</script>

<template>
  <PasscodeDoor v-if="state === 'locked'" :token="token" @opened="load" />
  <main v-else-if="state === 'nothing'" class="page gone">
    <p class="d-flex align-items-center gap-2 fw-semibold"><BrandMark /> Brantel</p>
    <h1>This link does not open</h1>
    <p>{{ trouble }}</p>
    <LabPhone :token="token" />
  </main>
  <div v-else-if="page" class="portal">
    <header>
      <div class="in">
        <span class="d-flex align-items-center gap-2 fw-semibold brand1"><BrandMark /> Brantel</span
        ><span class="text-body-secondary s"
          >your case <span class="m">{{ page.caseNumber }}</span></span
        >
        <span class="flex-fill" /><PortalSteps class="steps" :at="step" /><span class="flex-fill" />
        <a class="link text-nowrap" :href="`tel:${page.phone.replace(/\s/g, '')}`"
          ><Phone class="ic" aria-hidden="true" /> Call the lab: {{ page.phone }}</a
        >
      </div>
    </header>
    <main class="in cols">
      <div class="left">
        <FoundList :page="page" />
        <section class="get">
          <a class="btn btn-primary btn-lg" :href="`/api/portal/${token}/all.zip`" download @click="downloaded = true"
            ><Download class="ic" aria-hidden="true" /> Download everything, {{ size(page.bytes) }}</a
          >
          <p class="s text-body-secondary" :title="bytes(page.bytes)">
            {{ count(delivered.length) }} files in one ZIP, with the signed list inside<template v-if="page.expiresAt"
              >; this link works until {{ dateAndTime(page.expiresAt) }}</template
            >.
          </p>
        </section>
        <FileList :token="token" :files="files" />
        <CheckFiles class="checking" :token="token" :files="files" :check="check" />
      </div>
      <aside class="right">
        <section class="sheet box" aria-labelledby="h-ours">
          <h2 id="h-ours">The list is ours</h2>
          <p class="s text-body-secondary">
            Signed {{ dateAndTime(page.sealedAt) }} with the key of {{ page.lab }}. To be sure, call and let us read
            this to you:
          </p>
          <HashSeam :hash="page.fingerprint" :width="250" :height="28" />
          <p class="m s finger">{{ grouped(page.fingerprint) }}</p>
          <p class="s text-body-secondary">READ-ME.txt in the download says how to check it without us.</p>
        </section>
        <ConfirmReceipt
          :class="{ confirming: !page.receipt }"
          :token="token"
          :page="page"
          :sum="check.sum.value"
          :results="check.results.value"
          :busy="check.busy.value"
          @confirmed="load"
        />
      </aside>
    </main>
  </div>
</template>

<style scoped>
.portal {
  font-size: 16px;
  line-height: 24px;
  min-height: 100vh;
}
header {
  background: var(--well);
  border-bottom: 1px solid var(--line-2);
}
.in {
  max-width: 1120px;
  margin: 0 auto;
  padding: 0 20px;
}
header .in {
  display: flex;
  align-items: center;
  gap: 18px;
  min-height: 64px;
  flex-wrap: wrap;
  padding-top: 8px;
  padding-bottom: 8px;
}
.brand1 {
  font-size: 18px;
}
.cols {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 372px;
  gap: 48px;
  padding-top: 26px;
  padding-bottom: 48px;
}
.left {
  display: grid;
  gap: 30px;
  align-content: start;
}
.right {
  display: grid;
  gap: 16px;
  align-content: start;
  position: sticky;
  top: 20px;
  height: max-content;
}
.box {
  padding: 16px 20px;
  display: grid;
  gap: 8px;
}
.box h2 {
  font-size: 19px;
  line-height: 24px;
  font-weight: 700;
}
.get {
  display: grid;
  gap: 6px;
  justify-items: start;
}
.finger {
  overflow-wrap: anywhere;
}
.gone {
  max-width: 560px;
  margin: 80px auto;
  display: grid;
  gap: 12px;
}
@media print {
  /* One calm page: what was found, the list, whose it is. */
  .portal {
    font-size: 11pt;
    line-height: 15pt;
  }
  .get,
  header .btn,
  .steps,
  .checking,
  .confirming {
    display: none;
  }
  .cols {
    display: block;
    padding: 10pt 0;
  }
  .right {
    position: static;
    margin-top: 12pt;
  }
}
@media (width <= 900px) {
  .cols {
    grid-template-columns: minmax(0, 1fr);
    gap: 26px;
  }
  .right {
    position: static;
  }
}
</style>
