export { default as ScanWork } from './ScanWork.vue'
export { isSameVolume } from './strata'
