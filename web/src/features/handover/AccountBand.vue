<script setup lang="ts">
import { computed } from 'vue'
import type { RecoveredFile, RecoveryAccount } from '@/api/types'
import { count, size } from '@/ui/format/format'
import { asFound } from '@/ui/format/names'
import { bandOf } from './account'

const props = defineProps<{ /** Of the run that was sealed. */ account: RecoveryAccount }>()
const band = computed(() => bandOf(props.account))
const NAMES = { whole: 'whole', gapped: 'with gaps', doubtful: 'doubtful', missing: 'not delivered' } as const
const missed = (f: RecoveredFile) => f.gaps.reduce((n, g) => n + g.length, 0)
</script>

<template>
  <div>
    <div class="band" role="img" :aria-label="band.map((b) => `${b.count} ${NAMES[b.part]}`).join(', ')">
      <div v-for="b in band" :key="b.part" class="part" :class="b.part" :style="{ width: `${100 * b.width}%` }">
        <span v-if="b.part === 'whole'" class="m">{{ count(b.count) }} whole</span>
      </div>
    </div>
    <div class="words" aria-hidden="true">
      <span v-for="b in band" :key="b.part" class="s" :style="{ flexGrow: b.width }"
        ><template v-if="b.part !== 'whole'"
          ><b>{{ count(b.count) }}</b> {{ NAMES[b.part] }}</template
        ></span
      >
    </div>
    <div v-if="account.gapped.files + account.doubtful.files + account.missing.files" class="two">
      <div v-if="account.gapped.files + account.doubtful.files">
        <p class="xs text-body-secondary">with gaps or in doubt, every missing range listed in the account</p>
        <table class="rows">
          <tbody>
            <tr v-for="f in account.gapped.first" :key="f.line">
              <td>{{ asFound(f.name) }}</td>
              <td class="n">
                {{ f.gaps.length === 1 ? '1 gap' : `${f.gaps.length} gaps` }}, {{ size(missed(f)) }} of
                {{ size(f.size) }}
              </td>
            </tr>
            <tr v-for="f in account.doubtful.first" :key="f.line">
              <td>{{ asFound(f.name) }}</td>
              <td class="n">doubtful</td>
            </tr>
          </tbody>
        </table>
      </div>
      <div v-if="account.missing.files">
        <p class="xs text-body-secondary">not delivered, and why</p>
        <table class="rows">
          <tbody>
            <tr v-for="f in account.missing.first" :key="f.line">
              <td>{{ asFound(f.name) }}</td>
              <td class="s text-body-secondary">{{ f.why }}</td>
            </tr>
          </tbody>
        </table>
      </div>
    </div>
  </div>
</template>

<style scoped>
.band {
  display: flex;
  gap: 3px;
  height: 28px;
}
.part {
  display: flex;
  align-items: center;
  padding-left: 10px;
  overflow: hidden;
}
.whole {
  background: var(--fill);
  color: var(--paper);
  font-weight: 600;
}
.gapped {
  background: repeating-linear-gradient(90deg, var(--fill) 0 3px, var(--sheet) 3px 5px);
}
.doubtful {
  background: radial-gradient(circle, var(--fill) 1px, var(--sheet) 1.4px) 0 0 / 5px 5px;
  border: 1px solid var(--line-2);
}
.missing {
  background:
    linear-gradient(var(--madder), var(--madder)) center / 100% 2px no-repeat,
    var(--sheet);
  border: 2px solid var(--madder);
}
.words {
  display: flex;
  flex-wrap: wrap;
  gap: 3px 10px;
  margin-top: 3px;
}
.words span {
  white-space: nowrap;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 28px;
  margin-top: 6px;
}
@media (width <= 900px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
