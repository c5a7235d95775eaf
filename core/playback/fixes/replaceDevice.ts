import { withinSentence } from '../../withinSentence'
import type { FixKind } from './playbackFix'

/**
 * Another device in the place of one that can be bought; on a computer, a player program in the
 * place of the browser.
 */
export const replaceDevice: FixKind = ({ household }, matrix, { deviceClasses }) =>
  household.devices.flatMap((device, index) =>
    matrix.columns.some(column => column.deviceIndex === index && column.habits.length > 0)
      ? deviceClasses
          .filter(
            entry =>
              entry.price !== null &&
              entry.id !== device.class &&
              (entry.id !== 'player' || device.class === 'browser'),
          )
          .map(entry => ({
            id: `replace-${device.id}-${entry.id}`,
            group: `device-${device.id}`,
            price: entry.price,
            label: `Replace ${device.name || 'this device'} by: ${withinSentence(entry.label)}`,
            change: plan => ({
              ...plan,
              household: {
                ...plan.household,
                devices: plan.household.devices.map((other, at) =>
                  at === index ? { ...other, class: entry.id } : other,
                ),
              },
            }),
          }))
      : [],
  )
