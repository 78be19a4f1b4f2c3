/**
 * The same function, asked once for each object. For pure functions of what is never changed in place: builds, layouts
 * and stages are made anew by every edit. Forgotten with the object.
 *
 * @example ((n, key) => { const next = remembered(() => (n += 1)); return [next(key), next(key), next({})]; })(0, {})
 *   // [1, 1, 2]
 */
export function remembered<K extends object, V>(work: (key: K) => V): (key: K) => V {
  const known = new WeakMap<K, { readonly value: V }>();
  return (key) => {
    const found = known.get(key);
    if (found) return found.value;
    const value = work(key);
    known.set(key, { value });
    return value;
  };
}

/**
 * Work that may be asked for more than once, or never: done at the first time.
 *
 * @example ((n) => { const next = once(() => (n += 1)); return [next(), next()]; })(0) // [1, 1]
 */
export function once<V>(work: () => V): () => V {
  let done: { readonly value: V } | undefined;
  return () => (done ??= { value: work() }).value;
}
