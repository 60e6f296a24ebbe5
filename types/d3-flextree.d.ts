declare module 'd3-flextree' {
  export interface FlexNode<T> {
    readonly data: T;
    readonly parent: FlexNode<T> | null;
    x: number;
    y: number;
    each(visit: (node: FlexNode<T>) => void): void;
  }
  export interface FlexLayout<T> {
    (tree: FlexNode<T>): FlexNode<T>;
    hierarchy(data: T): FlexNode<T>;
  }
  export function flextree<T>(options: {
    spacing?: number | ((a: FlexNode<T>, b: FlexNode<T>) => number);
    nodeSize?: (node: FlexNode<T>) => [number, number];
  }): FlexLayout<T>;
}
