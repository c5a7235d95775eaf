import type { Step } from './step'
import { assembly } from './steps/assembly'
import { away } from './steps/away'
import { before } from './steps/before'
import { bench } from './steps/bench'
import { copies } from './steps/copies'
import { fill } from './steps/fill'
import { folders } from './steps/folders'
import { people } from './steps/people'
import { pool } from './steps/pool'
import { services } from './steps/services'
import { sign } from './steps/sign'
import { system } from './steps/system'

/** Every step that a run-book may have, chapter by chapter. */
export const steps: readonly Step[] = [
  ...before,
  ...bench,
  ...assembly,
  ...system,
  ...pool,
  ...people,
  ...services,
  ...folders,
  ...fill,
  ...away,
  ...copies,
  ...sign,
]
