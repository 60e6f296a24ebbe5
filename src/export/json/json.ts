import type { Scene } from '../../core/scene';

/** The Scene as JSON, for scripts; its shape is described in docs/formats.md. */
export const jsonOf = (scene: Scene): string => `${JSON.stringify({ format: 1, ...scene }, null, 1)}\n`;
