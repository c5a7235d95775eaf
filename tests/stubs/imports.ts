/** Stand-in for Nuxt's own imports in component tests. */
export const navigateTo = () => Promise.resolve()
export const useRoute = () => ({
  path: '',
  params: {} as Record<string, string>,
  query: {} as Record<string, string>,
})
export const definePageMeta = () => {
  /* the router's business */
}
export const useRouter = () => ({ push: () => Promise.resolve() })
