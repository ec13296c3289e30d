export { default as BenchPage } from './BenchPage.vue'
export { default as ImagingWork } from './ImagingWork.vue'
export { default as ReportPage } from './ReportPage.vue'
