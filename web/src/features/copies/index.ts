export { default as CopiesWork } from './CopiesWork.vue'
export { provideCover, useCover } from './covered'
