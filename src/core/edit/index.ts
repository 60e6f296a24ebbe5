export * from './apply-common';
export * from './command';
export type { HandSetting } from './hand-settings';
export { settingsByHand, settingsIn } from './hand-settings';
export { isUnder } from './entries';
export * from './kind-edits';
export * from './outcome';
export { patchOf, stylesLinks, withValue } from './settings';
export { Workspace } from './workspace';
