const OPEN = /^\/(begin|sign-in|shared\/|consent\/|approve\/)/

/** Pages other than the open ones are for people who have signed in. */
export default defineNuxtRouteMiddleware(async (to) => {
  if (OPEN.test(to.path)) return
  if (!(await useSession().load()))
    return navigateTo({ path: '/sign-in', query: to.fullPath === '/' ? {} : { to: to.fullPath } })
})
