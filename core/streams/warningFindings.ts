import { withinSentence } from '../withinSentence'
import { finding, type Finding } from '../finding'
import type { Format } from '../units/format'
import { joinClauses } from '../verdictClauses'
import { passiveFactor } from './capacity'
import type { EngineWarning } from './engineWarnings'

/** Labels named in a sentence. */
const labelsNamed = 3

/** Warnings of engines and processors in words. */
export function warningFindings(warnings: readonly EngineWarning[], format: Format): Finding[] {
  return warnings.map(warning => warningFinding(warning, format))
}

function warningFinding(warning: EngineWarning, { number: n }: Format): Finding {
  switch (warning.code) {
    case 'ONE_ALONE_TOO_SLOW':
      return finding('warning', warning.code, {
        sentence:
          `${joinClauses(warning.labels.slice(0, labelsNamed))}: not even one such title ` +
          'converts in real time on this machine.',
        from: ['streams.softwareReference', 'machine.cores', 'library.holdings'],
        fixes: [
          'Offer these titles only to devices that play them as they are.',
          'Keep a second, smaller copy of them.',
          'Use a stronger processor, or one with a video engine.',
        ],
      })
    case 'FALLBACK_TOO_SLOW':
      return finding('warning', warning.code, {
        sentence:
          `${joinClauses(warning.labels.slice(0, labelsNamed))}: when the video engine fails ` +
          'and the processor has to convert it, it is too slow.',
        from: ['choices.fallbackShare', 'streams.softwareReference'],
        fixes: ['Use a stronger processor, or an engine that does not fall back.'],
      })
    case 'CARD_DOWNGRADES':
      return finding('warning', warning.code, {
        sentence:
          'The card takes all conversions from the better engine in the processor: about ' +
          `${n(Math.floor(warning.withCard))} at once instead of ` +
          `${n(Math.floor(warning.without))}.`,
        from: ['machine.parts', 'machine.engine', 'machine.oneEngineAtATime'],
        fixes: ['Leave the card out, or set the streaming software to the built-in engine.'],
      })
    case 'TEN_BIT_IN_SOFTWARE':
      return finding('warning', warning.code, {
        sentence:
          `${joinClauses(warning.labels.slice(0, labelsNamed))}: the video engine does not ` +
          'decode 10-bit pictures, so the processor converts them.',
        from: ['machine.engine', 'machine.parts', 'library.holdings'],
        fixes: [
          'Use an engine from class D on, or a card that decodes 10 bits.',
          'Keep a second copy in 8 bits.',
        ],
      })
    case 'TONE_MAP_IN_SOFTWARE':
      return finding('warning', warning.code, {
        sentence:
          'The processor tone-maps HDR because the video engine cannot. It is the most ' +
          'costly part of a conversion.',
        from: ['machine.engine', 'machine.parts', 'choices.toneMapping'],
        fixes: [
          'Show HDR titles on screens that take them.',
          'An engine from class D on maps tones itself.',
        ],
      })
    case 'ENGINE_HANGS':
      return finding('warning', warning.code, {
        sentence:
          `${warning.engine.label} (${warning.engine.years}): ` +
          `${withinSentence(warning.engine.notes)} Plan for conversions that run in software.`,
        from: ['machine.engine', 'choices.fallbackShare'],
        fixes: ['Try it for an evening before relying on it.'],
      })
    case 'ENGINE_LICENCE':
      return finding('caution', warning.code, {
        sentence: 'Converting on a video engine may need a paid licence of the streaming software.',
        from: ['choices.hardwareConversion', 'machine.engine'],
        fixes: ['Look it up before buying, and count it with the extras.'],
      })
    case 'PASSIVE_LOAD':
      return finding('caution', warning.code, {
        sentence:
          `Without a fan the processor slows down under an evening's conversions: capacity ` +
          `is counted × ${n(passiveFactor)}.`,
        from: ['machine.passivelyCooled'],
        fixes: ['Leave air around the machine, or use one with a quiet fan.'],
      })
    case 'ENGINE_UNUSED':
      return finding('caution', warning.code, {
        sentence: 'There is a video engine, and it is not used.',
        from: ['choices.hardwareConversion', 'machine.engine', 'machine.parts'],
        fixes: ['Switch on conversion on the video engine.'],
      })
  }
}
