import { expose } from 'comlink'
import { createCoreWork } from '~/services/coreWork'

expose(createCoreWork())
