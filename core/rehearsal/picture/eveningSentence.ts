import type { Format } from '../../units/format'
import type { EveningPicture, PictureSession } from './eveningPicture'

const capital = (text: string) => text.replace(/^./, first => first.toUpperCase())
const times = (count: number, format: Format) =>
  count === 1 ? 'once' : count === 2 ? 'twice' : `${format.number(count)} times`

/** What happened to one session that was disturbed; '' where nothing did. */
export function sessionSentence(
  { outcome, refusal, stalls, stalledS, title, device, over, end }: PictureSession,
  name: string,
  format: Format,
): string {
  if (outcome === 'never' || outcome === 'noPlace')
    return `${name} is refused ${title} on ${device}, because ${refusal}.`
  if (outcome === 'gaveUp') {
    const minutes = Math.round((end - over) / 60)
    const left = `${format.quantity(minutes, 'min')} of ${title} unseen`
    return stalls > 0
      ? `${name} stalls ${times(stalls, format)} and gives up, with ${left}.`
      : `${name} waits too long and gives up, with ${left}.`
  }
  if (stalls > 0)
    return `${name} stalls ${times(stalls, format)}, ${format.quantity(Math.round(stalledS), 's')} in all.`
  return ''
}

/** What an evening came to, worst first, in two sentences at most. */
export function eveningSentence(
  { sessions, lanes }: Pick<EveningPicture, 'sessions' | 'lanes'>,
  format: Format,
): string {
  if (sessions.length === 0) return 'Nobody watches on this evening.'
  const told = [...sessions]
    .sort(
      (a, b) =>
        Number(b.outcome !== 'watched') - Number(a.outcome !== 'watched') ||
        b.stalledS - a.stalledS,
    )
    .map(session => sessionSentence(session, lanes[session.lane]!, format))
    .filter(Boolean)
  const [first, second] = told
  if (first === undefined) {
    const longest = Math.max(...sessions.map(({ startWait }) => startWait))
    const many =
      sessions.length === 1 ? '1 title is' : `${format.number(sessions.length)} titles are`
    return (
      `Nothing disturbs this evening: ${many} watched, and no start takes longer than ` +
      `${format.quantity(longest, 's')}.`
    )
  }
  const more = told.length - 2
  return [
    capital(first),
    ...(second === undefined ? [] : [capital(second)]),
    ...(more > 0 ? [`${more === 1 ? '1 more is' : `${more} more are`} disturbed.`] : []),
  ].join(' ')
}
