import { assess } from '~~/core/assess'
import { catalogue } from '~~/core/catalogue/catalogue'
import { withOldIds } from '~~/core/renamedFigures'
import { acceptPlan } from '../http/acceptPlan'
import { notJson, problemDocument } from '../http/problem'

/** An answer as it goes out. */
export interface TextAnswer {
  readonly status: number
  readonly body: string
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    throw notJson()
  }
}

/**
 * The assessment of a plan document, both as JSON text; what is wrong with the document as a
 * problem document.
 */
export function assessText(text: string): TextAnswer {
  try {
    const { plan, keptAside, leftOut } = acceptPlan(parsed(text))
    const { figures, verdicts, findings } = assess(plan, catalogue)
    return {
      status: 200,
      body: JSON.stringify({
        figures: withOldIds(figures),
        verdicts,
        findings,
        keptAside,
        leftOut,
      }),
    }
  } catch (error) {
    const problem = problemDocument(error)
    // Whoever runs the server has to see why: the answer hides it.
    if (problem.status >= 500) console.error('An assessment failed:', error)
    return { status: problem.status, body: JSON.stringify(problem) }
  }
}
