export { default as ScanWork } from './ScanWork.vue'
