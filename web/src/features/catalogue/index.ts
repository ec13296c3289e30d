export { default as CatalogueWork } from './CatalogueWork.vue'
export { chosenWords, foundWords, hopedWords, partsOf } from './steps'
