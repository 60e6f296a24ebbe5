import type { HouseStyle } from '../../core/model';
import { api } from './api';

/** A house style as the server keeps it. */
export interface KeptHouseStyle {
  readonly id: string;
  readonly revision: number;
  /** Taken for new diagrams. */
  readonly forNew: boolean;
  readonly style: HouseStyle;
}

export const fetchHouseStyles = (): Promise<readonly KeptHouseStyle[]> => api('/api/house-styles');

export const keepHouseStyle = (
  id: string,
  { style, forNew }: { readonly style: HouseStyle; readonly forNew: boolean },
): Promise<KeptHouseStyle> => api(`/api/house-styles/${id}`, { method: 'POST', body: { style, forNew } });

export const dropHouseStyle = (id: string): Promise<unknown> => api(`/api/house-styles/${id}`, { method: 'DELETE' });
