import { languageCode } from './languages'
import type { NameContext, NameItem } from './nameItem'

const flags: Readonly<Record<string, 'forced' | 'sdh'>> = {
  forced: 'forced',
  foreign: 'forced',
  sdh: 'sdh',
  cc: 'sdh',
}

/** What "hi" can mean: the code of Hindi, or hearing impaired. */
const hiMeans: readonly string[] = ['Hindi', 'hard of hearing']

/** What a subtitle belongs to: a film's new name and folder, and how its own name may begin. */
export interface SubtitledFilm {
  readonly stem: string
  readonly folders: readonly string[]
  readonly begins: readonly string[]
}
export const subtitledBy = ({ aim, stem }: NameItem): SubtitledFilm => ({
  stem: aim!.stem,
  folders: aim!.folders,
  begins: [aim!.stem, stem],
})

/** Words of a subtitle's name that stand behind the film's own. */
function wordsBehind(stem: string, { begins }: SubtitledFilm): readonly string[] {
  const own = begins.find(name => stem.startsWith(name))
  return (own === undefined ? stem : stem.slice(own.length)).split(/[\s._\-()[\]]+/).filter(Boolean)
}

/**
 * F6: a subtitle beside its film: the film's name, the language's code, forced or sdh.
 * @param isApart it lies in a folder of its own, so that which film it belongs to is not certain
 */
export function subtitleName(
  item: NameItem,
  { film, isApart }: { readonly film: SubtitledFilm; readonly isApart: boolean },
  context: NameContext,
): void {
  const words = wordsBehind(item.stem, film)
  const key = `hi|${item.file.path}`
  const answer = context.answers.get(key)
  const isHi = (word: string) => word.toLowerCase() === 'hi'
  if (words.some(isHi) && !hiMeans.includes(answer ?? '')) {
    item.ask = {
      key,
      rule: 'F6',
      question: `Does "hi" in "${item.stem}" mean Hindi, or for the hard of hearing?`,
      choices: hiMeans,
    }
    return
  }
  const codeOf = (word: string) =>
    isHi(word) && answer === 'Hindi' ? languageCode('hindi') : languageCode(word)
  const flagOf = (word: string) =>
    isHi(word) && answer !== 'Hindi' ? 'sdh' : flags[word.toLowerCase()]
  const language = words.map(codeOf).find(code => code !== null) ?? null
  const flag = words.map(flagOf).find(Boolean) ?? null
  const isKnown = (word: string) =>
    codeOf(word) !== null || flagOf(word) !== undefined || /^\d{1,2}$/.test(word)
  const beginsAlike = film.begins.some(name => item.stem.startsWith(name))
  if (isApart || !beginsAlike || !words.every(isKnown)) item.isSure = false
  const stem = [film.stem, language, flag].filter(Boolean).join('.')
  item.aim = { folders: film.folders, stem, ending: item.ending }
  item.rules.add('F6')
}
