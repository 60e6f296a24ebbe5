import { Id } from '../core/model';
import { notFound } from './diagrams';

/** The id in the address of a diagram; what cannot be one leads to none. */
export function idOf(params: Readonly<Record<string, string | undefined>>): string {
  const id = Id.safeParse(params.id);
  if (!id.success) throw notFound();
  return id.data;
}
