import type { VideoEngine } from '../catalogue/videoEngines'
import type { Hardware } from '../machine/hardware'
import type { Choices } from '../plan/choices'
import { machineTakes, softwareTakes, type ConversionMachine } from './conversionMachine'
import { engineTakes } from './engineShares'
import type { MixPart } from './demand'
import { mixCapacity } from './engineCapacity'

/** What practitioners lost money by, as codes with their numbers. */
export type EngineWarning =
  | {
      readonly code: 'ONE_ALONE_TOO_SLOW' | 'TEN_BIT_IN_SOFTWARE'
      readonly labels: readonly string[]
    }
  | { readonly code: 'CARD_DOWNGRADES'; readonly withCard: number; readonly without: number }
  | { readonly code: 'TONE_MAP_IN_SOFTWARE' | 'ENGINE_LICENCE' | 'PASSIVE_LOAD' | 'ENGINE_UNUSED' }
  | { readonly code: 'ENGINE_HANGS'; readonly engine: VideoEngine }
  | { readonly code: 'FALLBACK_TOO_SLOW'; readonly labels: readonly string[] }

export interface WarningQuestion {
  readonly hardware: Hardware
  readonly choices: Pick<Choices, 'hardwareConversion'>
  readonly converter: ConversionMachine
  readonly mix: readonly MixPart[]
  readonly needed: number
  /** another finding names what is too slow already */
  readonly stuckIsTold?: boolean
}

/** A card that leaves less than this share of what the built-in engine would do is a downgrade. */
export const downgradeShare = 0.95

function capacityOn(
  engines: readonly VideoEngine[],
  mix: readonly MixPart[],
  machine: ConversionMachine,
): number {
  const classes = mix.map(({ task, work, share }) => ({ task, work: work.likely, share }))
  return mixCapacity(classes, { ...machine, engines })?.conversions ?? 0
}

/** What is warned of before it is bought. */
export function engineWarnings({
  hardware,
  choices,
  converter,
  mix,
  needed,
  stuckIsTold,
}: WarningQuestion): EngineWarning[] {
  const { builtIn, cards, oneEngineAtATime, passivelyCooled } = hardware
  const { engines } = converter
  const warnings: EngineWarning[] = []
  const labelled = (
    code: 'ONE_ALONE_TOO_SLOW' | 'TEN_BIT_IN_SOFTWARE' | 'FALLBACK_TOO_SLOW',
    parts: readonly MixPart[],
  ) => {
    if (parts.length) warnings.push({ code, labels: parts.map(part => part.label) })
  }
  const onEngine = (part: MixPart) => engines.some(engine => engineTakes(part.task, engine))
  if (needed > 0 && !stuckIsTold)
    labelled(
      'ONE_ALONE_TOO_SLOW',
      mix.filter(part => !machineTakes(part.task, part.work.likely, converter)),
    )
  if (converter.fallbackShare > 0)
    labelled(
      'FALLBACK_TOO_SLOW',
      mix.filter(part => onEngine(part) && !softwareTakes(part.work.likely, converter)),
    )
  if (
    cards.length > 0 &&
    builtIn &&
    oneEngineAtATime &&
    choices.hardwareConversion &&
    mix.length > 0
  ) {
    const [withCard, without] = [
      capacityOn(engines, mix, converter),
      capacityOn([builtIn], mix, converter),
    ]
    if (withCard < without * downgradeShare)
      warnings.push({ code: 'CARD_DOWNGRADES', withCard, without })
  }
  labelled(
    'TEN_BIT_IN_SOFTWARE',
    mix.filter(
      part =>
        engines.length > 0 &&
        part.task.source.codec === 'hevc10' &&
        !onEngine(part) &&
        softwareTakes(part.work.likely, converter),
    ),
  )
  if (
    mix.some(part => part.task.source.highDynamicRange) &&
    engines.length > 0 &&
    engines.every(engine => engine.toneMap === null)
  )
    warnings.push({ code: 'TONE_MAP_IN_SOFTWARE' })
  for (const engine of engines.filter(entry => entry.flagged))
    warnings.push({ code: 'ENGINE_HANGS', engine })
  if (engines.length > 0 && needed > 0) warnings.push({ code: 'ENGINE_LICENCE' })
  if (passivelyCooled && needed > 0) warnings.push({ code: 'PASSIVE_LOAD' })
  if (!choices.hardwareConversion && (builtIn || cards.length > 0))
    warnings.push({ code: 'ENGINE_UNUSED' })
  return warnings
}
