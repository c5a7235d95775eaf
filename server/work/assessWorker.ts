import workerpool from 'workerpool'
import { assessText } from './assessText'

// The program of a worker thread of the pool; it is bundled by itself.
workerpool.worker({ assessText })
