/**
 * The labels of a field, for tests: jsdom looks through the whole page for each label there is, whenever one field is asked
 * for its labels, which was a third of the time of all tests of pages. The answer is the same: labels that name the field by
 * `for`, or hold it and name none.
 */
const labelsOf = (field: HTMLElement): HTMLLabelElement[] =>
  [...field.ownerDocument.getElementsByTagName('label')].filter((label) => {
    const named = label.getAttribute('for');
    return named === null ? label.contains(field) : named === field.id;
  });

// Some tests run without a page.
const fields =
  typeof document === 'undefined'
    ? []
    : [
        HTMLButtonElement,
        HTMLInputElement,
        HTMLMeterElement,
        HTMLOutputElement,
        HTMLProgressElement,
        HTMLSelectElement,
        HTMLTextAreaElement,
      ];

for (const { prototype } of fields)
  Object.defineProperty(prototype, 'labels', {
    configurable: true,
    get(this: HTMLElement) {
      return labelsOf(this);
    },
  });
