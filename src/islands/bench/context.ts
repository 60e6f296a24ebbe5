import { createContext, useContext } from 'react';
import { useStore } from 'zustand';
import type { BenchState, BenchStore } from './store';
import type { Syncing } from './sync';
import type { ViewStore } from './view';

export interface BenchParts {
  readonly store: BenchStore;
  readonly sync: Syncing;
  readonly view: ViewStore;
}

export const BenchContext = createContext<BenchParts | null>(null);

export function useParts(): BenchParts {
  const parts = useContext(BenchContext);
  if (!parts) throw new Error('This component stands outside a Bench.');
  return parts;
}

export function useBench<T>(pick: (state: BenchState) => T): T {
  return useStore(useParts().store, pick);
}
