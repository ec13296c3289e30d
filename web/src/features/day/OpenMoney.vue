<script setup lang="ts">
import { computed } from 'vue'
import type { OpenMoney } from '@/api/types'
import { count, words } from '@/ui/format/format'
import { band, moneyLacks, moneySum } from './day'

const props = defineProps<{ /** Of all open cases. */ money: OpenMoney }>()
const sum = computed(() => moneySum(props.money))
const share = (high: number) => (sum.value.high ? (100 * high) / sum.value.high : 0)
</script>

<template>
  <section aria-labelledby="h-money">
    <div class="hd">
      <h2 id="h-money">Open in money</h2>
      <span class="text-body-secondary">by the price list of today</span>
    </div>
    <table v-if="sum.cases" class="rows">
      <thead>
        <tr>
          <th>open cases in</th>
          <th class="n">cases</th>
          <th><span class="visually-hidden">share</span></th>
          <th class="n">from–to</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="s in money.stages" :key="s.stage">
          <td>{{ words(s.stage) }}</td>
          <td class="n">{{ count(s.cases) }}</td>
          <td class="wide" aria-hidden="true"><i :style="{ width: `${share(s.high)}%` }" /></td>
          <td class="n">{{ band(money.currency, s.low, s.high) }}</td>
        </tr>
      </tbody>
      <tfoot>
        <tr>
          <th>together</th>
          <td class="n">{{ count(sum.cases) }}</td>
          <td />
          <td class="n">
            <b>{{ band(money.currency, sum.low, sum.high) }}</b>
          </td>
        </tr>
      </tfoot>
    </table>
    <p v-else class="empty">No open case has a decided path, so none has a price.</p>
    <p class="xs text-body-secondary note">{{ moneyLacks(money) }}</p>
  </section>
</template>

<style scoped>
.wide {
  width: 90px;
}
.wide i {
  display: block;
  height: 8px;
  background: var(--fill);
}
tfoot th,
tfoot td {
  border-bottom: 0;
}
tfoot th {
  color: var(--ink);
  font-weight: 650;
}
.note {
  margin-top: 6px;
}
</style>
