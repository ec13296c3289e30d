export { default as LabRecordPage } from './LabRecordPage.vue'
