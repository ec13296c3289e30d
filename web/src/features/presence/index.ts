export { default as OthersHere } from './OthersHere.vue'
