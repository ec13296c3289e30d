export { default as DocketPage } from './DocketPage.vue'
