<script setup lang="ts">
import { computed } from 'vue'
import { useLive } from '@/api/live'
import { useSession } from '@/features/staff'
import ComingLines from '@/ui/ComingLines.vue'
import RefusedNote from '@/ui/RefusedNote.vue'
import AccountRow from './AccountRow.vue'
import AddPerson from './AddPerson.vue'
import EntryRules from './EntryRules.vue'
import EntryRecord from './EntryRecord.vue'
import { ROLE_WORDS } from './words'

const session = useSession()
const manages = computed(() => session.person?.role === 'MANAGER')
const people = useLive(
  '/api/staff',
  () => ({}),
  (what) => what === 'staff',
)
const accounts = useLive(
  '/api/staff/accounts',
  () => (manages.value ? {} : undefined),
  (what) => what === 'staff',
)
</script>

<template>
  <div class="page">
    <div class="pagehead">
      <h1>People</h1>
      <p class="text-body-secondary">
        {{ manages ? 'their accounts, and who was let in' : 'accounts are a manager’s to change' }}
      </p>
    </div>
    <RefusedNote :refused="people.refused.value ?? accounts.refused.value" />
    <ComingLines :of="people" :lines="4" />
    <table v-if="!manages && people.data.value" class="rows">
      <thead>
        <tr>
          <th scope="col">Name</th>
          <th scope="col">Role</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="p in people.data.value" :key="p.login">
          <td>{{ p.name }}</td>
          <td>{{ ROLE_WORDS[p.role] }}</td>
        </tr>
      </tbody>
    </table>
    <template v-if="accounts.data.value">
      <table class="rows">
        <thead>
          <tr>
            <th scope="col">Name</th>
            <th scope="col">Signs in as</th>
            <th scope="col">Role</th>
            <th scope="col">With</th>
            <th scope="col">Account</th>
          </tr>
        </thead>
        <tbody>
          <AccountRow
            v-for="a in accounts.data.value"
            :key="a.login"
            :account="a"
            :own="a.login === session.person?.login"
            @changed="accounts.refresh"
          />
        </tbody>
      </table>
      <div class="beside record mt-4">
        <div class="stack">
          <AddPerson @added="accounts.refresh" />
          <EntryRules />
        </div>
        <EntryRecord />
      </div>
    </template>
  </div>
</template>
