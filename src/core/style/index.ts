export * from './cascade';
export * from './contrast';
export * from './link-cascade';
export { inkOnGround, lookOf, looks, plainLook, roleStyle, tierStyle, type Look } from './look';
export * from './text-ground';
export { tierFill } from './tier-fill';
export { tierColours, type TierColours } from './tier-colours';
