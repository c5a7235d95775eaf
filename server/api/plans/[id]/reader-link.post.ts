import { makeLink } from '../../../access/planLinkRoutes'

export default makeLink('reader')
