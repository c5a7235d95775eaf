import type { InjectionKey } from 'vue'

/**
 * Where the page has room for what is edited beside its picture, as a selector; provided by the
 * shell of a plan.
 */
export const inspectorHost: InjectionKey<string> = Symbol('inspector')
