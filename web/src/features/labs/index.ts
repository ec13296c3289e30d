export { default as ArrivalsPage } from './ArrivalsPage.vue'
export { default as LabsWork } from './LabsWork.vue'
