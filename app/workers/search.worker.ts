import { expose } from 'comlink'
import { searchWork } from '~/services/searchWork'

expose(searchWork)
