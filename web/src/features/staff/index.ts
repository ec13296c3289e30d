export { nameAmong, peopleToChoose } from './people'
export { useSession } from './session'

/** Loaded when they are gone to: the frame around every page asks this feature, too. */
export const SetUpPage = () => import('./SetUpPage.vue')
export const NewPasswordPage = () => import('./NewPasswordPage.vue')
export const SignInPage = () => import('./SignInPage.vue')
