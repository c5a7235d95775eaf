/** Stand-in for Nuxt's own imports in component tests. */
export const navigateTo = () => Promise.resolve()
export const useRouter = () => ({ push: () => Promise.resolve() })
