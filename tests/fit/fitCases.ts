import type { PlanInput } from '../../core/plan/planSchema'
import type { FitState } from '../../core/machine/fit/fitRule'

/** A machine and what is around it, as a part of a plan, with what a rule says of it. */
interface FitCase {
  readonly state: FitState
  readonly plan: Omit<PlanInput, 'name'>
}

/** Something is kept that may need converting. */
const keeps = { library: { otherTB: 1 } } as const

/** A passing and a failing case of each rule; the failing one fails or warns. */
export const fitCases: Readonly<
  Record<string, { readonly passing: FitCase; readonly failing: FitCase }>
> = {
  airAtDrives: {
    passing: {
      state: 'pass',
      plan: { machine: { base: 'wherry-4' }, drives: { lots: [{ count: 4 }] } },
    },
    failing: {
      state: 'warning',
      plan: {
        machine: { base: 'parts', parts: [{ ref: 'coffer-4' }] },
        drives: { lots: [{ count: 4 }] },
      },
    },
  },
  bays: {
    passing: {
      state: 'pass',
      plan: { machine: { base: 'wherry-4' }, drives: { lots: [{ count: 4 }] } },
    },
    failing: {
      state: 'fail',
      plan: { machine: { base: 'wherry-4' }, drives: { lots: [{ count: 5 }] } },
    },
  },
  boardInCase: {
    passing: {
      state: 'pass',
      plan: { machine: { base: 'parts', parts: [{ ref: 'postern-21' }, { ref: 'coffer-6' }] } },
    },
    failing: {
      state: 'fail',
      plan: { machine: { base: 'parts', parts: [{ ref: 'postern-22' }, { ref: 'creel-6' }] } },
    },
  },
  bootDevice: {
    passing: {
      state: 'pass',
      plan: { machine: { base: 'towpath', parts: [{ ref: 'leat-17' }, { ref: 'flint-120' }] } },
    },
    failing: {
      state: 'warning',
      plan: { machine: { base: 'towpath', parts: [{ ref: 'leat-17' }] } },
    },
  },
  bootFromSlot: {
    passing: {
      state: 'pass',
      plan: {
        machine: {
          base: 'parts',
          parts: [
            { ref: 'stile-13w' },
            { ref: 'twine-m2' },
            { ref: 'flint-500n' },
            { ref: 'flint-120' },
          ],
        },
      },
    },
    failing: {
      state: 'warning',
      plan: {
        machine: {
          base: 'parts',
          parts: [{ ref: 'stile-13w' }, { ref: 'twine-m2' }, { ref: 'flint-500n' }],
        },
      },
    },
  },
  cardInCase: {
    passing: {
      state: 'pass',
      plan: {
        machine: {
          base: 'parts',
          parts: [{ ref: 'postern-21' }, { ref: 'coffer-6' }, { ref: 'cardModern' }],
        },
      },
    },
    failing: {
      state: 'fail',
      plan: {
        machine: {
          base: 'parts',
          parts: [{ ref: 'postern-22m' }, { ref: 'creel-4' }, { ref: 'cardModern' }],
        },
      },
    },
  },
  cardPlug: {
    passing: {
      state: 'pass',
      plan: {
        machine: {
          base: 'parts',
          parts: [
            { ref: 'mole-550' },
            { ref: 'postern-22' },
            { ref: 'coffer-6' },
            { ref: 'cardModern' },
          ],
        },
      },
    },
    failing: {
      state: 'fail',
      plan: { machine: { base: 'towpath', parts: [{ ref: 'leat-17' }, { ref: 'cardModern' }] } },
    },
  },
  closedCase: {
    passing: {
      state: 'pass',
      plan: { machine: { base: 'pebble-23f', boxLoadW: 15 }, drives: { lots: [] } },
    },
    failing: {
      state: 'fail',
      plan: {
        machine: {
          base: 'parts',
          parts: [
            { ref: 'chest-4f' },
            { ref: 'mole-150b' },
            { ref: 'postern-22m' },
            { ref: 'race-22' },
          ],
        },
        choices: { convertingHoursPerDay: 12 },
      },
    },
  },
  coldDrives: {
    passing: {
      state: 'pass',
      plan: {
        brief: { roomLowC: 5 },
        machine: { base: 'wherry-4' },
        drives: { lots: [{ count: 1 }] },
      },
    },
    failing: {
      state: 'warning',
      plan: {
        brief: { roomLowC: 4 },
        machine: { base: 'wherry-4' },
        drives: { lots: [{ count: 1 }] },
      },
    },
  },
  consoleAtHand: {
    passing: { state: 'pass', plan: { machine: { base: 'weir', monitorAtHand: false } } },
    failing: { state: 'warning', plan: { machine: { base: 'towpath', monitorAtHand: false } } },
  },
  coolerFits: {
    passing: {
      state: 'pass',
      plan: {
        machine: {
          base: 'parts',
          parts: [{ ref: 'postern-22m' }, { ref: 'creel-4' }, { ref: 'fern-flat' }],
        },
      },
    },
    failing: {
      state: 'fail',
      plan: {
        machine: {
          base: 'parts',
          parts: [{ ref: 'postern-22m' }, { ref: 'creel-4' }, { ref: 'fern-tower' }],
        },
      },
    },
  },
  coolerHeat: {
    passing: {
      state: 'pass',
      plan: {
        machine: {
          base: 'parts',
          parts: [{ ref: 'postern-22' }, { ref: 'leat-22' }, { ref: 'fern-tower' }],
        },
      },
    },
    failing: {
      state: 'fail',
      plan: {
        machine: {
          base: 'parts',
          parts: [{ ref: 'hatch-22' }, { ref: 'race-24' }, { ref: 'fern-low' }],
        },
      },
    },
  },
  dampAndDust: {
    passing: { state: 'pass', plan: { brief: { place: 'study' } } },
    failing: { state: 'warning', plan: { brief: { place: 'workshop', dusty: true } } },
  },
  dataPorts: {
    passing: {
      state: 'pass',
      plan: {
        machine: { base: 'parts', parts: [{ ref: 'lych-15' }, { ref: 'coffer-6' }] },
        drives: { lots: [{ count: 6 }] },
      },
    },
    failing: {
      state: 'fail',
      plan: {
        machine: {
          base: 'parts',
          parts: [{ ref: 'lych-15' }, { ref: 'coffer-6' }, { ref: 'flint-500n' }],
        },
        drives: { lots: [{ count: 6 }] },
      },
    },
  },
  discDrive: {
    passing: { state: 'pass', plan: { machine: { base: 'towpath', parts: [{ ref: 'dew-in' }] } } },
    failing: { state: 'fail', plan: { machine: { base: 'millrace', parts: [{ ref: 'dew-in' }] } } },
  },
  display: {
    passing: { state: 'pass', plan: { machine: { base: 'towpath', parts: [{ ref: 'leat-17' }] } } },
    failing: {
      state: 'fail',
      plan: { machine: { base: 'parts', parts: [{ ref: 'hatch-12' }, { ref: 'race-12' }] } },
    },
  },
  driveFrames: {
    passing: {
      state: 'pass',
      plan: {
        machine: { base: 'parts', parts: [{ ref: 'coffer-4' }, { ref: 'twine-frame' }] },
        drives: { lots: [{ count: 3, model: 'eddy-2' }] },
      },
    },
    failing: {
      state: 'warning',
      plan: {
        machine: { base: 'parts', parts: [{ ref: 'coffer-4' }] },
        drives: { lots: [{ count: 3, model: 'eddy-2' }] },
      },
    },
  },
  driveReach: {
    passing: {
      state: 'pass',
      plan: { machine: { base: 'wherry-4' }, drives: { lots: [{ count: 4 }] } },
    },
    failing: {
      state: 'warning',
      plan: { machine: { base: 'clerk-15' }, drives: { lots: [{ count: 1 }] } },
    },
  },
  drivesOnLead: {
    passing: {
      state: 'pass',
      plan: {
        machine: {
          base: 'parts',
          parts: [{ ref: 'mole-550' }, { ref: 'turnpike-14' }, { ref: 'coffer-10' }],
        },
        drives: { lots: [{ count: 8 }] },
      },
    },
    failing: {
      state: 'fail',
      plan: {
        machine: {
          base: 'parts',
          parts: [
            { ref: 'mole-300' },
            { ref: 'twine-split4', count: 3 },
            { ref: 'turnpike-14' },
            { ref: 'coffer-14' },
          ],
        },
        drives: { lots: [{ count: 14 }] },
      },
    },
  },
  eccMemory: {
    passing: {
      state: 'pass',
      plan: {
        machine: {
          base: 'weir',
          wantsEcc: true,
          parts: [{ ref: 'race-22' }, { ref: 'memory-32e-new' }],
        },
      },
    },
    failing: {
      state: 'fail',
      plan: {
        machine: {
          base: 'weir',
          wantsEcc: true,
          parts: [{ ref: 'race-22' }, { ref: 'memory-32-new' }],
        },
      },
    },
  },
  engineThere: {
    passing: {
      state: 'pass',
      plan: { ...keeps, machine: { base: 'towpath', parts: [{ ref: 'leat-17' }] } },
    },
    failing: {
      state: 'warning',
      plan: { ...keeps, machine: { base: 'millrace', parts: [{ ref: 'leat-22n' }] } },
    },
  },
  fanPlaces: {
    passing: {
      state: 'pass',
      plan: {
        machine: {
          base: 'parts',
          parts: [{ ref: 'postern-21' }, { ref: 'coffer-4' }, { ref: 'sedge-120' }],
        },
      },
    },
    failing: {
      state: 'warning',
      plan: { machine: { base: 'clerk-15', parts: [{ ref: 'sedge-120' }] } },
    },
  },
  fixedParts: {
    passing: {
      state: 'pass',
      plan: { machine: { base: 'clerk-17', parts: [{ ref: 'memory-16' }] } },
    },
    failing: {
      state: 'fail',
      plan: { machine: { base: 'clerk-17', parts: [{ ref: 'mole-550' }] } },
    },
  },
  growthLeft: {
    passing: {
      state: 'pass',
      plan: { machine: { base: 'lighter-8' }, drives: { lots: [{ count: 6 }] } },
    },
    failing: {
      state: 'warning',
      plan: { machine: { base: 'wherry-2' }, drives: { lots: [{ count: 2 }] } },
    },
  },
  knownCards: {
    passing: {
      state: 'pass',
      plan: {
        system: { kind: 'server' },
        machine: { base: 'towpath', parts: [{ ref: 'splice-8' }] },
      },
    },
    failing: {
      state: 'warning',
      plan: {
        system: { kind: 'desktop' },
        machine: { base: 'towpath', parts: [{ ref: 'splice-8' }] },
      },
    },
  },
  laneWidth: {
    passing: {
      state: 'pass',
      plan: { machine: { base: 'parts', parts: [{ ref: 'postern-21' }, { ref: 'splice-8' }] } },
    },
    failing: {
      state: 'warning',
      plan: {
        machine: { base: 'parts', parts: [{ ref: 'postern-21' }, { ref: 'knot-5' }] },
        drives: { lots: [{ count: 9 }] },
      },
    },
  },
  leadLength: {
    passing: {
      state: 'pass',
      plan: {
        machine: { base: 'parts', parts: [{ ref: 'mole-450' }, { ref: 'coffer-6' }] },
        drives: { lots: [{ count: 4 }] },
      },
    },
    failing: {
      state: 'warning',
      plan: {
        machine: { base: 'parts', parts: [{ ref: 'mole-300' }, { ref: 'coffer-14' }] },
        drives: { lots: [{ count: 4 }] },
      },
    },
  },
  madeCase: {
    passing: { state: 'pass', plan: { machine: { base: 'parts', parts: [{ ref: 'coffer-4' }] } } },
    failing: {
      state: 'warning',
      plan: {
        machine: {
          base: 'parts',
          parts: [{ ref: 'plank' }],
          ownParts: [
            {
              id: 'plank',
              label: 'Plank',
              kind: 'case',
              traits: { form: 'ATX', bays35: 4, made: 'shelf' },
            },
          ],
        },
      },
    },
  },
  memoryEnough: {
    passing: {
      state: 'pass',
      plan: {
        household: { converted: 1 },
        machine: { base: 'towpath', parts: [{ ref: 'leat-17' }, { ref: 'memory-16' }] },
      },
    },
    failing: {
      state: 'fail',
      plan: {
        household: { converted: 1 },
        drives: { fileSystem: 'copyOnWrite' },
        machine: { base: 'towpath', parts: [{ ref: 'leat-17' }, { ref: 'memory-4' }] },
      },
    },
  },
  memoryMaximum: {
    passing: {
      state: 'pass',
      plan: {
        machine: { base: 'towpath', parts: [{ ref: 'leat-17' }, { ref: 'memory-16', count: 2 }] },
      },
    },
    failing: {
      state: 'fail',
      plan: {
        machine: { base: 'towpath', parts: [{ ref: 'leat-17' }, { ref: 'memory-32', count: 2 }] },
      },
    },
  },
  memoryPairs: {
    passing: {
      state: 'pass',
      plan: {
        machine: { base: 'parts', parts: [{ ref: 'lych-17' }, { ref: 'memory-8', count: 2 }] },
      },
    },
    failing: {
      state: 'warning',
      plan: {
        machine: {
          base: 'parts',
          parts: [{ ref: 'lych-17' }, { ref: 'memory-8' }, { ref: 'memory-16' }],
        },
      },
    },
  },
  memorySlots: {
    passing: {
      state: 'pass',
      plan: {
        machine: { base: 'towpath', parts: [{ ref: 'leat-17' }, { ref: 'memory-8', count: 2 }] },
      },
    },
    failing: {
      state: 'fail',
      plan: {
        machine: { base: 'towpath', parts: [{ ref: 'leat-17' }, { ref: 'memory-8', count: 3 }] },
      },
    },
  },
  memoryType: {
    passing: {
      state: 'pass',
      plan: { machine: { base: 'towpath', parts: [{ ref: 'leat-17' }, { ref: 'memory-16' }] } },
    },
    failing: {
      state: 'fail',
      plan: { machine: { base: 'towpath', parts: [{ ref: 'leat-17' }, { ref: 'memory-16-new' }] } },
    },
  },
  mouldedPlugs: {
    passing: {
      state: 'pass',
      plan: { machine: { base: 'towpath', parts: [{ ref: 'twine-split' }] } },
    },
    failing: {
      state: 'fail',
      plan: { machine: { base: 'towpath', parts: [{ ref: 'twine-moulded' }] } },
    },
  },
  namedPlaces: {
    passing: {
      state: 'pass',
      plan: {
        machine: {
          base: 'parts',
          parts: [{ ref: 'postern-21' }, { ref: 'splice-8', at: 'slot-1' }],
        },
      },
    },
    failing: {
      state: 'warning',
      plan: {
        machine: {
          base: 'parts',
          parts: [{ ref: 'postern-21' }, { ref: 'splice-8', at: 'slot-9' }],
        },
      },
    },
  },
  networkSpeed: {
    passing: {
      state: 'pass',
      plan: { machine: { base: 'wherry-4' }, network: { serverPortMbps: 2500 } },
    },
    failing: {
      state: 'fail',
      plan: { machine: { base: 'wherry-2' }, network: { serverPortMbps: 2500 } },
    },
  },
  noise: {
    passing: {
      state: 'pass',
      plan: {
        brief: { place: 'cellar' },
        machine: { base: 'wherry-4' },
        drives: { lots: [{ count: 4 }] },
      },
    },
    failing: {
      state: 'warning',
      plan: {
        brief: { place: 'bedroom' },
        machine: { base: 'crane-10' },
        drives: { lots: [{ count: 4 }] },
      },
    },
  },
  passiveLoad: {
    passing: {
      state: 'pass',
      plan: { household: { converted: 0 }, machine: { passivelyCooled: true } },
    },
    failing: {
      state: 'warning',
      plan: { ...keeps, household: { converted: 2 }, machine: { passivelyCooled: true } },
    },
  },
  picturePlug: {
    passing: {
      state: 'pass',
      plan: {
        machine: {
          base: 'clerk-20',
          parts: [{ ref: 'cardOldGaming' }, { ref: 'twine-picture' }],
        },
      },
    },
    failing: {
      state: 'warning',
      plan: { machine: { base: 'clerk-20', parts: [{ ref: 'cardOldGaming' }] } },
    },
  },
  portPower: {
    passing: {
      state: 'pass',
      plan: {
        machine: { base: 'pebble-21', parts: [{ ref: 'trug-1' }] },
        drives: { lots: [{ count: 2, sizeTB: 2 }], driveClass: 'ssd' },
      },
    },
    failing: {
      state: 'fail',
      plan: {
        machine: { base: 'pebble-21', parts: [{ ref: 'trug-1' }] },
        drives: { lots: [{ count: 1, sizeTB: 4 }] },
      },
    },
  },
  powerPlugs: {
    passing: {
      state: 'pass',
      plan: {
        machine: {
          base: 'parts',
          parts: [{ ref: 'mole-400' }, { ref: 'lych-15' }, { ref: 'coffer-6' }],
        },
        drives: { lots: [{ count: 6 }] },
      },
    },
    failing: {
      state: 'fail',
      plan: {
        machine: {
          base: 'parts',
          parts: [{ ref: 'mole-300' }, { ref: 'lych-15' }, { ref: 'coffer-6' }],
        },
        drives: { lots: [{ count: 6 }] },
      },
    },
  },
  rackPlace: {
    passing: { state: 'pass', plan: { brief: { place: 'cellar' }, machine: { base: 'wherry-4' } } },
    failing: {
      state: 'warning',
      plan: { brief: { place: 'livingRoom' }, machine: { base: 'crane-10' } },
    },
  },
  raidCard: {
    passing: {
      state: 'pass',
      plan: {
        machine: { base: 'towpath', parts: [{ ref: 'splice-8' }] },
        drives: { fileSystem: 'copyOnWrite' },
      },
    },
    failing: {
      state: 'fail',
      plan: {
        machine: { base: 'towpath', parts: [{ ref: 'splice-8r' }] },
        drives: { fileSystem: 'copyOnWrite' },
      },
    },
  },
  shelfPlace: {
    passing: {
      state: 'pass',
      plan: { brief: { shelfWidthMm: 200, shelfDepthMm: 270 }, machine: { base: 'wherry-4' } },
    },
    failing: {
      state: 'fail',
      plan: { brief: { shelfDepthMm: 269 }, machine: { base: 'wherry-4' } },
    },
  },
  singleParts: {
    passing: {
      state: 'pass',
      plan: { machine: { base: 'parts', parts: [{ ref: 'mole-400' }, { ref: 'coffer-6' }] } },
    },
    failing: {
      state: 'warning',
      plan: { machine: { base: 'parts', parts: [{ ref: 'mole-400' }, { ref: 'mole-300' }] } },
    },
  },
  slotsForCards: {
    passing: {
      state: 'pass',
      plan: {
        machine: {
          base: 'towpath',
          parts: [{ ref: 'leat-17' }, { ref: 'cardEntry' }, { ref: 'heron-2' }],
        },
      },
    },
    failing: {
      state: 'fail',
      plan: { machine: { base: 'wherry-4', parts: [{ ref: 'cardEntry' }] } },
    },
  },
  socket: {
    passing: { state: 'pass', plan: { machine: { base: 'towpath', parts: [{ ref: 'leat-17' }] } } },
    failing: { state: 'fail', plan: { machine: { base: 'towpath', parts: [{ ref: 'race-20' }] } } },
  },
  ssdPlaces: {
    passing: {
      state: 'pass',
      plan: { machine: { base: 'parts', parts: [{ ref: 'postern-21' }, { ref: 'flint-500n' }] } },
    },
    failing: {
      state: 'fail',
      plan: { machine: { base: 'parts', parts: [{ ref: 'stile-13w' }, { ref: 'flint-500n' }] } },
    },
  },
  supplyAmps: {
    passing: {
      state: 'pass',
      plan: {
        machine: {
          base: 'parts',
          parts: [
            { ref: 'mole-450' },
            { ref: 'postern-21' },
            { ref: 'leat-22' },
            { ref: 'coffer-6' },
          ],
        },
        drives: { lots: [{ count: 6 }] },
      },
    },
    failing: {
      state: 'fail',
      plan: {
        machine: {
          base: 'parts',
          parts: [
            { ref: 'mole-300' },
            { ref: 'turnpike-14' },
            { ref: 'bore-14' },
            { ref: 'coffer-6' },
          ],
        },
        drives: { lots: [{ count: 6 }] },
      },
    },
  },
  supplyForm: {
    passing: {
      state: 'pass',
      plan: { machine: { base: 'parts', parts: [{ ref: 'coffer-6' }, { ref: 'mole-450' }] } },
    },
    failing: {
      state: 'fail',
      plan: { machine: { base: 'parts', parts: [{ ref: 'creel-6' }, { ref: 'mole-450' }] } },
    },
  },
  supplyRunning: {
    passing: {
      state: 'pass',
      plan: {
        machine: {
          base: 'parts',
          parts: [{ ref: 'mole-300' }, { ref: 'postern-21' }, { ref: 'leat-22' }],
        },
      },
    },
    failing: {
      state: 'fail',
      plan: {
        machine: {
          base: 'parts',
          parts: [
            { ref: 'mole-300' },
            { ref: 'hatch-22' },
            { ref: 'race-24' },
            { ref: 'cardModern' },
          ],
        },
        drives: { lots: [{ count: 6 }] },
      },
    },
  },
  supplyStart: {
    passing: {
      state: 'pass',
      plan: {
        machine: {
          base: 'parts',
          parts: [
            { ref: 'mole-400' },
            { ref: 'postern-21' },
            { ref: 'leat-22' },
            { ref: 'coffer-6' },
          ],
        },
        drives: { lots: [{ count: 6 }] },
      },
    },
    failing: {
      state: 'fail',
      plan: {
        machine: {
          base: 'parts',
          parts: [
            { ref: 'mole-300' },
            { ref: 'turnpike-14' },
            { ref: 'bore-14' },
            { ref: 'coffer-6' },
          ],
        },
        drives: { lots: [{ count: 6 }] },
      },
    },
  },
  switchedOff: {
    passing: {
      state: 'pass',
      plan: { machine: { base: 'parts', parts: [{ ref: 'lych-17' }, { ref: 'flint-500n' }] } },
    },
    failing: {
      state: 'fail',
      plan: {
        machine: {
          base: 'parts',
          parts: [
            { ref: 'lych-17' },
            { ref: 'flint-250m', at: 'm2-2' },
            { ref: 'heron-10c', at: 'slot-3' },
          ],
        },
      },
    },
  },
  outsideSockets: {
    passing: {
      state: 'pass',
      plan: {
        machine: { base: 'towpath', parts: [{ ref: 'trug-8c' }, { ref: 'splice-8e' }] },
        drives: { lots: [{ count: 8 }] },
      },
    },
    failing: {
      state: 'fail',
      plan: {
        machine: { base: 'towpath', parts: [{ ref: 'trug-8c' }, { ref: 'splice-8' }] },
        drives: { lots: [{ count: 8 }] },
      },
    },
  },
  upsSize: {
    passing: {
      state: 'pass',
      plan: { machine: { base: 'wherry-4', parts: [{ ref: 'weight-400' }] } },
    },
    failing: {
      state: 'warning',
      plan: { machine: { base: 'crane-10', parts: [{ ref: 'weight-400' }] } },
    },
  },
  usbParity: {
    passing: {
      state: 'pass',
      plan: {
        machine: { base: 'pebble-21', parts: [{ ref: 'trug-4' }] },
        drives: { lots: [{ count: 3 }], layout: 'separate' },
      },
    },
    failing: {
      state: 'warning',
      plan: {
        machine: { base: 'pebble-21', parts: [{ ref: 'trug-4' }] },
        drives: { lots: [{ count: 3 }], layout: 'rotating-1' },
      },
    },
  },
  warmDrives: {
    passing: {
      state: 'pass',
      plan: {
        brief: { place: 'cellar' },
        machine: { base: 'wherry-4' },
        drives: { lots: [{ count: 4 }] },
      },
    },
    failing: {
      state: 'warning',
      plan: {
        brief: { place: 'cupboard', cupboardM2: 1.2, roomHighC: 30 },
        machine: { base: 'wherry-4' },
        drives: { lots: [{ count: 4 }] },
      },
    },
  },
  wifiThere: {
    passing: {
      state: 'pass',
      plan: { machine: { base: 'pebble-21' }, network: { serverLink: 'wifi' } },
    },
    failing: {
      state: 'fail',
      plan: { machine: { base: 'wherry-4' }, network: { serverLink: 'wifi' } },
    },
  },
  wifiOnly: {
    passing: {
      state: 'pass',
      plan: { machine: { base: 'towpath', parts: [{ ref: 'heron-wifi' }] } },
    },
    failing: {
      state: 'warning',
      plan: { machine: { base: 'pebble-18' }, network: { serverLink: 'wifi' } },
    },
  },
}
