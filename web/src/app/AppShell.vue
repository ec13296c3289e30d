<script setup lang="ts">
import { useEventListener, useNow } from '@vueuse/core'
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useDesk } from '@/features/desk'
import { time, zoneName } from '@/ui/format/format'
import { useSession } from '@/features/staff'
import BrandMark from '@/ui/BrandMark.vue'
import FindBox from './FindBox.vue'
import LinkStrip from './LinkStrip.vue'
import RunningWork from './RunningWork.vue'
import UndoBar from './UndoBar.vue'
import { handleKey, keyName, shownKeys, useKeys } from '@/ui/keys'
import { roomOf } from './rooms'
import { currentTheme, switchTheme } from './theme'

const session = useSession()
const route = useRoute()
const router = useRouter()
const { desk, running } = useDesk()
const room = computed(() => roomOf(route.meta.room, String(route.params.place ?? '')))
const theme = ref(currentTheme())
const keysOpen = ref(false)
const moment = useNow({ interval: 10_000 })
const now = computed(() => moment.value.toISOString())

useKeys([{ key: '?', does: 'all keys here', run: () => (keysOpen.value = !keysOpen.value) }])
useEventListener(document, 'keydown', handleKey)

async function signOut(): Promise<void> {
  await session.signOut()
  await router.push('/sign-in')
}
const benchCount = () => running.value?.filter((w) => w.place === 'imaging' || w.place === 'scanning').length ?? 0
const handoverCount = () => desk.value?.stages.find((s) => s.stage === 'handover')?.cases ?? 0
const initials = (name: string) =>
  name
    .split(' ')
    .map((p) => p[0])
    .join('')
    .slice(0, 2)
</script>

<template>
  <div class="app">
    <a class="visually-hidden-focusable" href="#work">To the work</a>
    <header class="top">
      <RouterLink to="/desk" class="brand"><BrandMark />Brantel</RouterLink>
      <nav aria-label="Rooms" class="rooms">
        <RouterLink to="/desk" class="room" :class="{ on: room === 'desk' }"
          >Desk <span class="n hot">{{ desk?.waiting || '' }}</span></RouterLink
        >
        <RouterLink to="/bench" class="room" :class="{ on: room === 'bench' }"
          >Bench <span class="n">{{ benchCount() || '' }}</span></RouterLink
        >
        <RouterLink to="/handover" class="room" :class="{ on: room === 'handover' }"
          >Handover <span class="n">{{ handoverCount() || '' }}</span></RouterLink
        >
        <RouterLink to="/ledger" class="room" :class="{ on: room === 'ledger' }">Ledger</RouterLink>
      </nav>
      <span class="flex-fill" />
      <FindBox />
      <RunningWork :work="running" />
      <div class="who">
        <RouterLink to="/own" title="Your sign-in" class="own"
          ><span class="init" aria-hidden="true">{{ initials(session.person?.name ?? '') }}</span
          >{{ session.person?.name }}</RouterLink
        >
        <button type="button" class="linkish xs" @click="signOut">Sign out</button>
      </div>
    </header>
    <LinkStrip />
    <main id="work" class="main" tabindex="-1"><slot /></main>
    <footer class="foot">
      <span class="keyline"
        ><span v-for="k in shownKeys" :key="k.key + k.does"
          ><span class="kbd">{{ keyName(k.key) }}</span
          >{{ k.does }}</span
        ></span
      >
      <button type="button" class="linkish xs" @click="theme = switchTheme()">
        {{ theme === 'dark' ? 'Light' : 'Dark' }} theme
      </button>
      <span :title="zoneName()">Lab time {{ time(now) }}</span>
    </footer>
    <UndoBar />
    <dialog v-if="keysOpen" open class="keys sheet" aria-label="Keys of this screen">
      <p class="fw-semibold">Keys of this screen</p>
      <p v-for="k in shownKeys" :key="k.key + k.does" class="s">
        <span class="kbd">{{ keyName(k.key) }}</span> {{ k.does }}
      </p>
      <p class="s"><span class="kbd">Ctrl K</span> find a case or go somewhere</p>
      <button type="button" class="btn btn-quiet btn-sm" @click="keysOpen = false">Close</button>
    </dialog>
  </div>
</template>

<style scoped>
.rooms {
  display: flex;
  align-items: stretch;
}
.own {
  color: inherit;
  text-decoration: none;
  display: inline-flex;
  align-items: center;
  gap: inherit;
}
.own:hover {
  text-decoration: underline;
}
.keys {
  position: fixed;
  bottom: 40px;
  left: 20px;
  top: auto;
  margin: 0;
  padding: 14px 18px;
  display: grid;
  gap: 6px;
  z-index: 20;
  color: var(--ink);
}
</style>
