export { default as IntakePage } from './IntakePage.vue'
