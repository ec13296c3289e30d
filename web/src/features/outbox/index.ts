export { default as MessagesWork } from './MessagesWork.vue'
export { default as OutboxPage } from './OutboxPage.vue'
