import type { Outcome, Playability } from '~~/core/playback/playability'

/** What people read of each outcome; a cell shows the short word. */
export const outcomeTexts: Readonly<
  Record<Outcome, { readonly short: string; readonly long: string }>
> = {
  playAsIs: { short: 'as is', long: 'Plays as it is' },
  repack: { short: 'repack', long: 'Repacked: only the container changes' },
  sound: { short: 'sound', long: 'Sound converted, the picture goes through' },
  picture: { short: 'picture', long: 'Picture converted' },
  cannot: { short: 'cannot', long: 'Cannot be played' },
}

/** The word of a cell: for a conversion, what goes out. */
export function cellWord(play: Playability): string {
  if (play.smallCopy) return 'copy'
  return play.output ? `to ${play.output.lines}` : outcomeTexts[play.outcome].short
}
