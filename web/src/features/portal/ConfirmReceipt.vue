<script setup lang="ts">
import { BButton, BFormInput } from 'bootstrap-vue-next'
import { ref } from 'vue'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import type { PortalPage } from '@/api/types'
import { dateAndTime } from '@/ui/format/format'
import RefusedNote from '@/ui/RefusedNote.vue'
import { seenOf, type CheckedFile, type CheckSum } from './check'

const props = defineProps<{
  /** Of the link that was opened. */
  token: string
  /** What the lab delivers. */
  page: PortalPage
  /** What the check in the browser came to. */
  sum: CheckSum
  /** What it computed of each file. */
  results: ReadonlyMap<number, CheckedFile>
  /** A check is under way. */
  busy: boolean
}>()
const emit = defineEmits<{ confirmed: [] }>()
const name = ref(props.page.contactPerson)
const confirming = useAction()

async function confirm(): Promise<void> {
  if (
    await confirming.run(() =>
      api.post('/api/portal/{token}/receipt', {
        path: { token: props.token },
        body: { name: name.value, seen: seenOf(props.results) },
      }),
    )
  )
    emit('confirmed')
}
</script>

<template>
  <section class="sheet box" aria-labelledby="h-confirm">
    <template v-if="page.receipt">
      <h2 id="h-confirm">Thank you, {{ page.receipt.name }}.</h2>
      <p>
        You confirmed receipt on {{ dateAndTime(page.receipt.at) }};
        <template v-if="page.receipt.checked"
          >{{ page.receipt.equal }} of {{ page.receipt.checked }} checked files were equal.</template
        ><template v-else>nothing was checked.</template>
      </p>
    </template>
    <form v-else class="fields" @submit.prevent="confirm">
      <h2 id="h-confirm">Tell us you have everything</h2>
      <p v-if="sum.differs" class="c-stop">
        {{ sum.differs }} {{ sum.differs === 1 ? 'file differs' : 'files differ' }} from the list. Download again before
        you confirm, or call us.
      </p>
      <p v-else-if="!sum.checked" class="text-body-secondary">
        Nothing has been checked yet. Check your files first; if you confirm without it, the record says that nothing
        was checked.
      </p>
      <p v-else-if="sum.waiting" class="text-body-secondary">
        {{ sum.waiting }} {{ sum.waiting === 1 ? 'file is' : 'files are' }} not checked yet. You may confirm all the
        same; the record says how many you checked.
      </p>
      <p v-else>Every file was checked, and every one is as we sent it.</p>
      <div>
        <label for="receiver">Your name</label><BFormInput id="receiver" v-model="name" autocomplete="name" required />
      </div>
      <RefusedNote :refused="confirming.refused.value" />
      <BButton
        type="submit"
        size="lg"
        variant="primary"
        :disabled="confirming.busy.value || busy || sum.differs > 0 || !name.trim()"
        >{{ sum.checked ? 'Confirm receipt' : 'Confirm without a check' }}</BButton
      >
    </form>
  </section>
</template>

<style scoped>
.box {
  padding: 16px 20px 20px;
}
h2 {
  font-size: 19px;
  line-height: 24px;
  font-weight: 700;
}
.fields {
  gap: 10px;
}
</style>
