import { catalogue } from '~~/core/catalogue/catalogue'
import { layouts } from '~~/core/drives/layouts/layouts'
import { apiHandler } from '../http/apiHandler'

/** The generic classes and invented models that assessments draw on. */
export default apiHandler(() => ({ ...catalogue, layouts }))
