import { computed } from 'vue'
import { accessContext, withRight } from '~~/core/commissioning/access/accessRule'
import { accessFindings } from '~~/core/commissioning/access/accessRules'
import { withAccess, withNewName, withoutAccess } from '~~/core/commissioning/access/editAccess'
import { accessOf, hasOwnAccess } from '~~/core/commissioning/access/proposedAccess'
import { rightCells } from '~~/core/commissioning/access/rightOf'
import { testList, testMark, type AccountTest } from '~~/core/commissioning/access/testList'
import type { Access, Right } from '~~/core/plan/access'
import { editPlan } from '~~/core/plan/editPlan'
import type { Plan } from '~~/core/plan/planSchema'
import { usePlanStore } from '~/stores/planStore'

const none: Access = { accounts: [], groups: [], shares: [], rights: [], guestsBring: false }

/** The matrix of the open plan: who may do what, what is against a rule, what is to be tried. */
export function useAccess() {
  const store = usePlanStore()
  const access = computed(() => (store.plan ? accessOf(store.plan) : none))
  const isOwn = computed(() => store.plan !== null && hasOwnAccess(store.plan))
  const cells = computed(() => rightCells(access.value))
  const findings = computed(() =>
    store.plan
      ? accessFindings(
          accessContext(
            store.plan,
            access.value,
            store.assessment?.domains.machine.system?.snapshots ?? null,
          ),
        )
      : [],
  )
  const planWith = (next: Access): Plan | null => store.plan && withAccess(store.plan, next)
  function put(next: Access, name = ''): void {
    const plan = planWith(next)
    if (plan) store.replace(plan, name)
  }
  function setRight(share: string, who: string, right: Right | null): void {
    put(withRight(access.value, { share, who }, right))
  }
  /** Sets a field of an entry of a list; what is wrong with it, and then nothing changes. */
  function say(
    list: 'accounts' | 'groups' | 'shares',
    at: { readonly index: number; readonly key: string },
    value: unknown,
  ): string | null {
    const whole = planWith(access.value)
    const from = access.value[list][at.index]?.id
    if (!whole || from === undefined) return null
    const path = `commissioning.${list}.${at.index}.${at.key}`
    const result = editPlan(whole, path, value)
    if (!result.ok) return result.issues[0]?.message ?? 'This value is not possible.'
    const changed = accessOf(result.plan)
    const to = changed[list][at.index]!.id
    const next = to === from ? changed : withNewName(changed, list, { from, to })
    store.replace(withAccess(result.plan, next), path)
    return null
  }
  /** Makes the matrix anew from the plan. */
  function makeAnew(): void {
    if (store.plan) store.replace(withoutAccess(store.plan))
  }

  const tests = computed(() => {
    const marks = new Map(
      (store.plan?.commissioning.proved ?? []).map(({ account, test }) => [account, test]),
    )
    return testList(access.value).map(test => ({
      ...test,
      isProved: marks.get(test.who) === testMark(test),
    }))
  })
  function prove(test: AccountTest, isProved: boolean): void {
    const { plan } = store
    if (!plan) return
    const others = plan.commissioning.proved.filter(({ account }) => account !== test.who)
    const proved = isProved ? [...others, { account: test.who, test: testMark(test) }] : others
    store.replace({ ...plan, commissioning: { ...plan.commissioning, proved } })
  }
  return { access, isOwn, cells, findings, planWith, put, setRight, say, makeAnew, tests, prove }
}
