import { entryOfOwn } from './entryOfOwn'
import { ownPartKinds, ownPartProblems, type OwnPart } from './ownPart'
import { sharingOfText } from './sharingText'
import { partSchemas } from './partSchemas'

/**
 * What is wrong with a part of one's own: its properties, and what its kind makes of them. It is
 * held to the schema that the parts that ship are held to.
 * @returns sentences; empty where nothing is wrong
 */
export function ownPartFaults(part: OwnPart): string[] {
  const problems = ownPartProblems(part)
  if (problems.length > 0) return problems
  const entry = entryOfOwn(part)
  if (!('hardware' in entry)) return []
  const { hardware } = entry
  const result = partSchemas[hardware.kind].safeParse(hardware)
  if (result.success) return []
  const names = [...new Set(result.error.issues.map(({ path }) => String(path[0] ?? '')))]
  return [
    `A ${ownPartKinds[part.kind].toLowerCase()} cannot be so: check ${names.join(', ')}; ` +
      'counts are whole numbers.',
  ]
}

/**
 * Places that the sharing rules of a board of one's own name, and that it does not have: such a rule
 * counts for nothing.
 */
export function missingPlaces(part: OwnPart): string[] {
  const entry = entryOfOwn(part)
  if (!('hardware' in entry) || entry.hardware.kind !== 'board') return []
  const there = new Set(entry.hardware.places.map(({ id }) => id))
  const named = (sharingOfText(String(part.traits.sharing ?? '')) ?? []).flatMap(
    ({ when, off = [], narrows }) => [when, ...off, ...(narrows ? [narrows.place] : [])],
  )
  return [...new Set(named)].filter(id => !there.has(id))
}
