export { default as LedgerPage } from './LedgerPage.vue'
