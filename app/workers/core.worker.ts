import { expose } from 'comlink'
import { coreWork } from '~/services/coreWork'

expose(coreWork)
