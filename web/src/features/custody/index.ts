export { default as CustodyRecord } from './CustodyRecord.vue'
export { default as CustodyWork } from './CustodyWork.vue'
