export * from './check-diagram';
export * from './create';
export * from './diagram';
export * from './finding';
export * from './order-key';
export * from './sheet';
export * from './style';
export * from './upgrade';
