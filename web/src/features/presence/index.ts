export { default as OthersHere } from './OthersHere.vue'
export { default as SinceStrip } from './SinceStrip.vue'
