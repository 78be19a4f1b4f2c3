/** Weighted matching: [from, to, weight] edges in, the mate of each vertex (or −1) out. */
declare module 'edmonds-blossom-fixed' {
  export default function blossom(
    edges: readonly (readonly [number, number, number])[],
    maxCardinality?: boolean,
  ): number[];
}
