import type { Liquor } from '@/core/liquor/liquor';
import type { Assistant } from '@/core/shelf/assistant';
import type { Dyestuff } from '@/core/shelf/dyestuff';
import type { StockItem } from '@/core/shelf/stock';
import { documents } from './documents';

export const stock = documents<StockItem>('stock');
export const liquors = documents<Liquor>('liquor');

/** A dyestuff or chemical that the dyer added to the library's. */
export interface OwnSubstanceRow {
  readonly id: string;
  readonly revision: number;
  readonly retired: boolean;
  readonly what: { readonly kind: 'dyestuff'; readonly dyestuff: Dyestuff } | { readonly kind: 'assistant'; readonly assistant: Assistant };
}
export const ownSubstances = documents<OwnSubstanceRow>('own_substance');
