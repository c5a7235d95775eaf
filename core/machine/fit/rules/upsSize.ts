import { partsOfKind } from '../../knownParts'
import { routerW, upsCarries } from '../../power/upsSize'
import { fitRule } from '../fitRule'

/** A UPS in the list carries the machine at work and the router, with something to spare. */
export const upsSize = fitRule<{ readonly name: string; readonly wallW: number }>({
  id: 'upsSize',
  label: 'Size of the UPS',
  group: 'power',
  otherwise:
    'Let the UPS feed the machine alone, without screens and printers, or convert less on ' + 'it.',
  judge({ build: { parts }, convertingWallW: wallW }) {
    const units = partsOfKind(parts, 'ups')
    const [first] = units
    if (!first) return null
    // Of several, one for the machine is enough.
    const carries = units.map(({ entry }) => upsCarries(entry, wallW))
    const small = carries.every(carried => carried === false)
    return {
      state: small ? 'warning' : carries.includes(true) ? 'pass' : 'notKnown',
      values: { name: first.entry.label, wallW },
      clash: { parts: small ? units.map(({ index }) => index) : [] },
    }
  },
  say: ({ name, wallW }, { quantity }, state) =>
    state === 'notKnown'
      ? `What the UPS carries is not known; ${quantity(wallW, 'W')} of the machine at work and ` +
        `${quantity(routerW, 'W')} of the router hang on it.`
      : state === 'pass'
        ? `The UPS carries the ${quantity(wallW, 'W')} of the machine at work, and the router.`
        : `The ${name} is too small for the ${quantity(wallW, 'W')} that the machine takes at work ` +
          `and the ${routerW} W of the router: it may switch off when the power fails.`,
  fixes: () => [{ how: 'replace', kind: 'ups' }],
})
