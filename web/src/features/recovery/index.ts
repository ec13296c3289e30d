export { default as RecoveryWork } from './RecoveryWork.vue'
export { outcomeWords } from './outcome'
