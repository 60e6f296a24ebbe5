import { brokenCommon } from '../model';
import { Diagram, kindOf } from './diagram';

/** Every invariant of a Diagram beyond its shape, in words; empty when all hold. Linear in what the diagram holds. */
export function brokenInvariants(diagram: Diagram): string[] {
  const shape = Diagram.safeParse(diagram);
  if (!shape.success) return shape.error.issues.map((issue) => `${issue.path.join('.')}: ${issue.message}`);
  return brokenReferences(diagram);
}

/** As `brokenInvariants`, for a Diagram whose shape is known to be right. */
export const brokenReferences = (diagram: Diagram): string[] => [
  ...brokenCommon(diagram),
  ...kindOf(diagram.kind).broken(diagram),
];
