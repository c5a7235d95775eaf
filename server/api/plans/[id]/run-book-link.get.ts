import { linkState } from '../../../access/planLinkRoutes'

export default linkState('runBook')
