import { newBuild } from '@zubric/core/vehicle';
import { fireEvent, screen } from '@testing-library/react';
import { flushSync } from 'react-dom';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { SchemaField } from '../fields/SchemaField.tsx';
import { TextField } from '../fields/TextField.tsx';
import { kept, onBench } from '../testing/on-bench.tsx';
import { useBuild } from './BuildSession.tsx';
import { later } from './later.tsx';

/** A change by a press, and what the page then shows. */
function Pressed() {
  const { build, edit } = useBuild();
  return (
    <button type="button" onClick={() => edit((b) => ({ ...b, name: `${b.name}!` }))}>
      {build.name}
    </button>
  );
}
const LaterPressed = later(Pressed);

/** Two numbers of one object, each change made from the object as it is shown. */
function Body() {
  const { build, edit } = useBuild();
  const { body } = build;
  return (
    <>
      {(['length', 'width'] as const).map((key) => (
        <SchemaField
          key={key}
          part="body"
          field={key}
          value={body[key]}
          onChange={(quantity) => edit((b) => ({ ...b, body: { ...body, [key]: quantity } }))}
        />
      ))}
    </>
  );
}
const LaterBody = later(Body);

function Name() {
  const { build, edit } = useBuild();
  return <TextField label="Name" value={build.name} onChange={(name) => edit((b) => ({ ...b, name }))} />;
}
const LaterName = later(Name);

/** As a browser does, behind React's back. */
const setValue = (element: HTMLElement, value: string): void =>
  Object.getOwnPropertyDescriptor(HTMLTextAreaElement.prototype, 'value')?.set?.call(element, value);

const field = (label: string): HTMLInputElement => screen.getByLabelText(label);

describe('a part of a page that follows later', () => {
  beforeEach(() => vi.stubGlobal('fetch', () => Promise.reject(new Error('no server'))));

  it('loses nothing from control to control, however quickly one follows the other', () => {
    onBench(<LaterBody />, newBuild('Gull'));
    fireEvent.change(field('Length'), { target: { value: '900 mm' } });
    field('Width').focus();
    fireEvent.change(field('Width'), { target: { value: '500 mm' } });
    expect(kept().body).toMatchObject({ length: { value: 0.9 }, width: { value: 0.5 } });
    field('Length').focus();
    for (let n = 0; n < 4; n++) fireEvent.keyDown(field('Length'), { key: 'ArrowUp' });
    expect(kept().body.length.value).toBeCloseTo(0.98, 9);
    expect(kept().body.width.value).toBe(0.5);
    expect(field('Length').value).toBe('980 mm');
  });

  it('keeps every letter, however quickly they follow each other', () => {
    onBench(<LaterName />, newBuild('Gull'));
    const name = field('Name');
    name.focus();
    // Each letter into what stands in the field, before what follows later has followed.
    for (const letter of '123') {
      flushSync(() => {
        setValue(name, `${name.value}${letter}`);
        name.dispatchEvent(new Event('input', { bubbles: true }));
      });
    }
    expect(name.value).toBe('Gull123');
    expect(kept().name).toBe('Gull123');
  });

  it('shows what a press did before anything else is done', () => {
    onBench(<LaterPressed />, newBuild('Gull'));
    const button = screen.getByRole('button');
    // As the browser tells it: without the test's own waiting until all that follows is drawn.
    flushSync(() => button.click());
    expect(button.textContent).toBe('Gull!');
  });
});
