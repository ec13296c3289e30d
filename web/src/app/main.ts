import '@/ui/css/index.css'
import { createBootstrap } from 'bootstrap-vue-next/plugins/createBootstrap'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import App from './App.vue'
import { applyTheme } from './theme'
import { router } from './router'

applyTheme()
createApp(App).use(createPinia()).use(router).use(createBootstrap()).mount('#app')
