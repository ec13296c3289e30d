export { default as SetUpPage } from './SetUpPage.vue'
export { default as SignInPage } from './SignInPage.vue'
export { useSession } from './session'
