export const severities = ['caution', 'warning', 'fail'] as const
export type Severity = (typeof severities)[number]

/** Something the plan's owner should know, with the way out. */
export interface Finding {
  readonly severity: Severity
  readonly code: string
  readonly sentence: string
  /** plan paths and figure ids it comes from */
  readonly from: readonly string[]
  readonly fixes: readonly Fix[]
}

export interface Fix {
  readonly sentence: string
  /** in the plan's currency, when known */
  readonly cost?: number
}

/** A finding from its parts; each fix is a sentence. */
export function finding(
  severity: Severity,
  code: string,
  {
    sentence,
    from,
    fixes = [],
  }: {
    readonly sentence: string
    readonly from: readonly string[]
    readonly fixes?: readonly string[]
  },
): Finding {
  return { severity, code, sentence, from, fixes: fixes.map(fix => ({ sentence: fix })) }
}

/** Findings with the worst first; of one severity in the order they came. */
export function worstFirst(findings: readonly Finding[]): Finding[] {
  return [...findings].sort(
    (a, b) => severities.indexOf(b.severity) - severities.indexOf(a.severity),
  )
}
