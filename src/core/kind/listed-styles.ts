import { withoutParents, type Listing, type Roles } from '../hierarchy';
import type { AnyScope, BoxStyle, DiagramCommon } from '../model';
import { entriesIn, explainStyle, resolveStyles } from '../style';
import type { Kind, KindTypes } from './kind';

type Listed = Omit<KindTypes, 'command'> & { readonly command: never };

/** The cascade of a kind whose entries have tiers and roles and stand under nothing. */
export const listedStyles = (roles: Roles): Pick<Kind<Listed>, 'styles' | 'explain' | 'covers' | 'originWords'> => ({
  styles: (diagram: DiagramCommon, listing: Listing): BoxStyle[] =>
    resolveStyles(diagram, withoutParents(listing), roles),
  explain: (diagram: DiagramCommon, listing: Listing, scope: AnyScope) =>
    explainStyle(diagram, withoutParents(listing), scope, roles),
  covers: (diagram: DiagramCommon, listing: Listing, scope: AnyScope) =>
    entriesIn(diagram, withoutParents(listing), scope, roles),
  originWords: {},
});
