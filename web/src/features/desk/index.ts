export { default as CaseQuestions } from './CaseQuestions.vue'
export { useDesk } from './useDesk'

/** Loaded when it is gone to: the frame around every page asks this feature, too. */
export const DeskPage = () => import('./DeskPage.vue')
