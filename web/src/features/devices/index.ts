export { default as DeviceList } from './DeviceList.vue'
export { apart, calledOf, pathOf, type Strand, strandsOf, whichOf } from './hand'
export { type Hand, useHand } from './useHand'
export { provideWhich, useWhich } from './which'
