export { default as ClosingWork } from './ClosingWork.vue'
