export { default as DeskPage } from './DeskPage.vue'
export { useDesk } from './useDesk'
