import { homePlace } from '../../plan/constants'
import type { FixKind } from './playbackFix'

/** A cable to a device that hangs on the air. */
export const layCable: FixKind = ({ household }, matrix) =>
  household.devices.flatMap((device, index) =>
    device.link.startsWith('wifi') &&
    matrix.columns.some(
      column =>
        column.deviceIndex === index &&
        column.habits.length > 0 &&
        column.key.includes(`-at-${homePlace}`),
    )
      ? [
          {
            id: `cable-${device.id}`,
            group: `cable-${device.id}`,
            price: null,
            label: `Lay a cable to ${device.name || 'this device'}`,
            change: plan => ({
              ...plan,
              household: {
                ...plan.household,
                devices: plan.household.devices.map((other, at) =>
                  at === index ? { ...other, link: 'wired1000' as const } : other,
                ),
              },
            }),
          },
        ]
      : [],
  )
