import '@fontsource-variable/atkinson-hyperlegible-next/wght.css'
import '@fontsource-variable/jetbrains-mono/wght.css'
import 'bootstrap/dist/css/bootstrap.min.css'
import 'bootstrap-vue-next/dist/bootstrap-vue-next.css'
import './css/tokens.css'
import './css/base.css'
import './css/frame.css'
import './css/parts.css'
import './css/screens.css'
import { createBootstrap } from 'bootstrap-vue-next/plugins/createBootstrap'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import App from './App.vue'
import { applyTheme } from './shell/theme'
import { router } from './router'

applyTheme()
createApp(App).use(createPinia()).use(router).use(createBootstrap()).mount('#app')
