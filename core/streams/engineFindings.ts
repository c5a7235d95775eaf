import { builtInEngines, type VideoEngine } from '../catalogue/videoEngines'
import type { Finding } from '../finding'
import type { Choices } from '../plan/choices'
import type { Machine } from '../plan/machine'
import { engineTakes, machineTakes, softwareTakes, type ConversionMachine } from './conversionMachine'
import type { MixPart } from './demand'
import { mixCapacity } from './engineCapacity'

function capacityOn(engines: readonly VideoEngine[], mix: readonly MixPart[], machine: ConversionMachine): number {
  const classes = mix.map(({ task, work, share }) => ({ task, work: work.likely, share }))
  return mixCapacity(classes, { ...machine, engines }, machine.processor?.likely ?? Infinity)?.conversions ?? 0
}

/** What practitioners lost money by: warned of before it is bought. */
export function engineFindings(machine: Machine, choices: Choices, converter: ConversionMachine, mix: readonly MixPart[], asked: number): Finding[] {
  const { engines } = converter
  const findings: Finding[] = []
  const builtIn = builtInEngines.find(engine => engine.id === machine.engine)
  const add = (severity: Finding['severity'], code: string, sentence: string, from: string[], ...cures: string[]) =>
    findings.push({ severity, code, sentence, from, cures: cures.map(cure => ({ sentence: cure })) })

  const stuck = mix.filter(part => !machineTakes(part.task, part.work.likely, converter))
  if (stuck.length && asked > 0) {
    add('warning', 'ONE_ALONE_TOO_SLOW', `${stuck.slice(0, 3).map(part => part.label).join(' and ')}: not even one such title converts in real time on this machine.`,
      ['streams.softwareReference', 'machine.cores', 'library.holdings'],
      'Play these titles only on devices that show them as they are.', 'Keep a second, smaller copy of them.', 'Take a stronger processor, or one with a video engine.')
  }
  if (builtIn && machine.cards.length && machine.oneEngineAtATime && choices.hardwareConversion && mix.length) {
    const [withCard, without] = [capacityOn(engines, mix, converter), capacityOn([builtIn], mix, converter)]
    if (withCard < without * 0.95) {
      add('warning', 'CARD_DOWNGRADES', `The card takes all conversions from the better engine in the processor: about ${Math.floor(withCard)} at once instead of ${Math.floor(without)}.`,
        ['machine.cards', 'machine.engine', 'machine.oneEngineAtATime'], 'Leave the card out, or tell the streaming software to use the built-in engine.')
    }
  }
  const falling = mix.filter(part => engines.length > 0 && part.task.source.codec === 'hevc10' && !engines.some(engine => engineTakes(part.task, engine)) && softwareTakes(part.work.likely, converter))
  if (falling.length) {
    add('warning', 'TEN_BIT_IN_SOFTWARE', `${falling.slice(0, 3).map(part => part.label).join(', ')}: 10-bit pictures, which ${engines.map(engine => engine.label).join(' and ')} does not decode; they fall to the processor.`,
      ['machine.engine', 'machine.cards', 'library.holdings'], 'An engine from class D on, or a card that decodes 10 bits.', 'Keep a second copy in 8 bits.')
  }
  const mapped = mix.filter(part => part.task.source.highDynamicRange)
  if (mapped.length && engines.length > 0 && engines.every(engine => engine.toneMap === null)) {
    add('warning', 'TONE_MAP_IN_SOFTWARE', `HDR is tone-mapped by the processor, for ${engines.map(engine => engine.label).join(' and ')} cannot: that is the dearest part of a conversion.`,
      ['machine.engine', 'machine.cards', 'choices.toneMapping'], 'Show HDR titles on screens that take them.', 'An engine from class D on maps tones itself.')
  }
  for (const engine of engines.filter(entry => entry.flagged)) {
    add('warning', 'ENGINE_HANGS', `${engine.label} (${engine.years}): ${engine.notes.charAt(0).toLowerCase()}${engine.notes.slice(1)} Plan for conversions that end in software.`, ['machine.engine', 'choices.fallbackShare'], 'Try it for an evening before relying on it.')
  }
  if (engines.length > 0 && asked > 0) {
    add('caution', 'ENGINE_LICENCE', 'Converting on a video engine may need a paid licence of the streaming software.', ['choices.hardwareConversion', 'machine.engine'], 'Look it up before buying, and count it with the extras.')
  }
  if (machine.passivelyCooled && asked > 0) {
    add('caution', 'PASSIVE_LOAD', 'Without a fan the processor slows down under an evening\'s conversions: capacity is counted × 0.8.', ['machine.passivelyCooled'], 'Leave air around the box, or take one with a quiet fan.')
  }
  if (!choices.hardwareConversion && (builtIn || machine.cards.length)) {
    add('caution', 'ENGINE_UNUSED', 'A video engine is there, and is not used.', ['choices.hardwareConversion', 'machine.engine', 'machine.cards'], 'Switch conversion on the engine on.')
  }
  return findings
}
