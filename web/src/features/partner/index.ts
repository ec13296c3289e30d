export { default as PartnerWork } from './PartnerWork.vue'
