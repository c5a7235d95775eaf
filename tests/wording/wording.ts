import { planSchema, type Plan } from '../../core/plan/planSchema'

/** Words that end like a plural and are none, or stand for a rate. */
const noPlural =
  /^(is|was|has|does|this|GB\/s|Mb\/s|MB\/s|less|plus|across|always|as|us|its|class|process|series|hours?-?less|lens|fits)$/

/** Where a text has one thing in the plural, or a verb of several with it. */
export function wronglyCounted(text: string): string[] {
  return [
    ...text.matchAll(/(?<![\d.,:×/^-])\b1[ \u00A0](\p{L}+)(?:[ \u00A0](are|have|were|do)\b)?/gu),
  ].flatMap(([found, word, verb]) =>
    (word!.endsWith('s') && !noPlural.test(word!)) || verb !== undefined ? [found] : [],
  )
}

/** Whether a text has a gap, a doubled sign or a loose end where a number or a word should be. */
export function isBroken(text: string): boolean {
  return /undefined|NaN|null|\[object|\bInfinity\b| {2,}|\.\.(?!\.)|,\.|\( | \)/.test(text)
}

/** A plan in which what is counted is none, one or two. */
export function countedPlan(count: number): Plan {
  const list = <Entry>(entry: (at: number) => Entry) =>
    Array.from({ length: count }, (_, at) => entry(at))
  return planSchema.parse({
    name: `Counts of ${count}`,
    choices: { horizonYears: Math.max(1, count) },
    brief: { budget: count },
    household: {
      watchingHome: count,
      watchingAway: count,
      converted: count,
      viewers: list(at => ({ id: `v${at}`, name: `Viewer ${at}` })),
      devices: list(at => ({ id: `d${at}`, class: 'tv2016' })),
      habits: list(at => ({ viewer: `v${at}`, device: `d${at}` })),
    },
    library: { holdings: list(() => ({ titles: count, quality: 'uhd-hdr-hevc' })) },
    drives: {
      lots: list(() => ({ count: 1, sizeTB: 8 })),
      purchases: list(() => ({ month: 1, count: 1, sizeTB: 8 })),
    },
    machine: { bays: count, base: 'own', score: 4000 },
  })
}
