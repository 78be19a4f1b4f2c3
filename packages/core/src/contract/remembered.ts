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
 * The same function, asked once for each number or name. Kept as long as the function itself: for few of them.
 *
 * @example ((n) => { const next = onceFor(() => (n += 1)); return [next('a'), next('a'), next('b')]; })(0) // [1, 1, 2]
 */
export function onceFor<K extends string | number, V>(work: (key: K) => V): (key: K) => V {
  const known = new Map<K, { readonly value: V }>();
  return (key) => {
    const found = known.get(key) ?? { value: work(key) };
    known.set(key, found);
    return found.value;
  };
}

/**
 * The same function, not asked again for what it was asked last.
 *
 * @example ((n) => { const next = onceInARow(() => (n += 1)); return [next('a'), next('a'), next('b'), next('a')]; })(0)
 *   // [1, 1, 2, 3]
 */
export function onceInARow<K, V>(work: (key: K) => V): (key: K) => V {
  let last: { readonly key: K; readonly value: V } | undefined;
  return (key) => {
    if (!last || !Object.is(last.key, key)) last = { key, value: work(key) };
    return last.value;
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
