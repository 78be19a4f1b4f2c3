/**
 * The styles of an element, for tests: no style sheet is loaded there, so that all there is stands on the element itself. The
 * library asks for them of every element that it looks at and all around it, and jsdom works out each anew, which was a quarter
 * of the time of the tests of pages. The answer is the same where it matters: what is hidden, and what stands in a line with
 * the words around it.
 */
const IN_A_LINE =
  /^(a|abbr|b|bdi|cite|code|em|i|img|kbd|label|mark|q|s|small|span|strong|sub|sup|time|u|var|svg)$/i;

function stylesOf(element: Element): CSSStyleDeclaration {
  const own = (element as HTMLElement).style as CSSStyleDeclaration | undefined;
  const usual = element.hasAttribute('hidden')
    ? 'none'
    : IN_A_LINE.test(element.tagName)
      ? 'inline'
      : 'block';
  const said: Readonly<Record<string, string>> = {
    display: own?.display || usual,
    visibility: own?.visibility || 'visible',
  };
  return new Proxy(own ?? ({} as CSSStyleDeclaration), {
    get: (styles, key) => {
      if (key === 'getPropertyValue')
        return (name: string): string => said[name] ?? own?.getPropertyValue(name) ?? '';
      return said[String(key)] ?? Reflect.get(styles, key, styles) ?? '';
    },
  });
}

// Some tests run without a page.
if (typeof window !== 'undefined') window.getComputedStyle = stylesOf;
