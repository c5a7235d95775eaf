import { withinSentence } from '../../withinSentence'
import { entryOf, type Catalogue } from '../../catalogue/catalogue'
import { layouts } from '../../drives/layouts/layouts'

/** What a layout is called within a sentence. */
export function layoutLabel(id: string): string {
  return withinSentence(layouts.find(layout => layout.id === id)?.label ?? id)
}

/** Parts by name, each with its count: '2 × Memory, 8 GB and Mole 400'. */
export function partNames(
  refs: readonly string[],
  {
    processors,
    videoEngines,
    memoryModules,
    hardware,
  }: Pick<Catalogue, 'processors' | 'videoEngines' | 'memoryModules' | 'hardware'>,
): string {
  const nameOf = (ref: string) =>
    entryOf(processors, ref)?.name ??
    entryOf(videoEngines, ref)?.label ??
    entryOf(memoryModules, ref)?.label ??
    entryOf(hardware, ref)?.label ??
    ref
  const names = [...new Set(refs)].map(ref => {
    const count = refs.filter(other => other === ref).length
    return `${count > 1 ? `${count} × ` : ''}${nameOf(ref)}`
  })
  // Names have commas of their own.
  return names.length < 3
    ? names.join(' and ')
    : `${names.slice(0, -1).join('; ')}; and ${names.at(-1)}`
}
