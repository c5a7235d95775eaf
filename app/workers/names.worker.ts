import { expose } from 'comlink'
import { createNamesWork } from '~/services/namesWork'

expose(createNamesWork())
