export { default as PortalPage } from './PortalPage.vue'
