/**
 * A name as programs of others take it: small letters of the plain alphabet, digits and _, never empty, a letter first.
 *
 * @example nameWithin('Wagtail’s 2nd “cart”') // 'wagtail_s_2nd_cart'
 */
export function nameWithin(name: string): string {
  const plain = name
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '_')
    .replace(/^_+|_+$/g, '');
  return /^[a-z]/.test(plain) ? plain : `v_${plain}`.replace(/_$/, '');
}
