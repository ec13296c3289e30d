export { default as NotesWork } from './NotesWork.vue'
