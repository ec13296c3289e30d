export { default as OwnPage } from './OwnPage.vue'
export { default as PeoplePage } from './PeoplePage.vue'
