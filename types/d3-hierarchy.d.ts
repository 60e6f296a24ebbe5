declare module 'd3-hierarchy' {
  export interface HierarchyNode<T> {
    readonly data: T;
    x: number;
    y: number;
  }
  export function hierarchy<T>(data: T): HierarchyNode<T>;
  export function tree<T>(): { nodeSize(size: [number, number]): (root: HierarchyNode<T>) => HierarchyNode<T> };
}
