export { default as HandoverPage } from './HandoverPage.vue'
export { default as HandoverWork } from './HandoverWork.vue'
