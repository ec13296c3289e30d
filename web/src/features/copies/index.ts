export { default as CopiesWork } from './CopiesWork.vue'
