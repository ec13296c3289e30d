export { default as DayPage } from './DayPage.vue'
