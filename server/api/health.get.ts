import { health } from '../database/health'
import { apiHandler } from '../http/apiHandler'

export default apiHandler(() => health())
