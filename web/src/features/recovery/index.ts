export { default as RecoveryWork } from './RecoveryWork.vue'
