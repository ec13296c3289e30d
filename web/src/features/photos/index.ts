export { default as PhotosWork } from './PhotosWork.vue'
