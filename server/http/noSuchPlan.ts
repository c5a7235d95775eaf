import { Problem } from './problem'

export function noSuchPlan(): Problem {
  return new Problem(
    404,
    'No such plan',
    'There is no plan with this id; it may have been deleted.',
  )
}
