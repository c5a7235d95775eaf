import workerpool from 'workerpool'
import { assessText } from './assessText'
import { lowerPriority } from './lowerPriority'

// The program of a worker thread of the pool; it is bundled by itself.
lowerPriority()
workerpool.worker({ assessText })
