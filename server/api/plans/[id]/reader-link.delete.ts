import { revokeLink } from '../../../access/planLinkRoutes'

export default revokeLink('reader')
