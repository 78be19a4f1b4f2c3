import { newBuild, type Part } from '@zubric/core/vehicle';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { answering, Refusal } from '../testing/answers.ts';
import { onBench, pressButton, text } from '../testing/on-bench.tsx';
import { drawsPictures } from '../testing/pictures.ts';
import { PartPhoto } from './PartPhoto.tsx';

const hub: Part = { id: 'hub', kind: 'hub', name: 'Keyed hub', state: 'on-hand', note: '' } as Part;
const show = (): void => onBench(<PartPhoto part={hub} />, newBuild('Gull'));
const picture = () => screen.queryByRole('img', { name: 'Photograph of Keyed hub' });
const pick = (label: string): void => {
  const file = new File(['x'], 'hub.jpg', { type: 'image/jpeg' });
  fireEvent.change(screen.getByLabelText(label), { target: { files: [file] } });
};

describe('the photograph of a part', () => {
  it('is not spoken of where there is none, is put there, seen anew, and taken away', async () => {
    drawsPictures();
    const asked = answering({
      'PUT /api/parts/hub/photo': () => undefined,
      'DELETE /api/parts/hub/photo': () => undefined,
    });
    show();
    const before = picture()?.getAttribute('src');
    fireEvent.error(picture() as HTMLElement);
    expect(picture()).toBeNull();
    pick('Add a photograph');
    await waitFor(() => expect(picture()).not.toBeNull());
    // The browser must not show the one that it kept from before.
    expect(picture()?.getAttribute('src')).not.toBe(before);
    pressButton('Take the photograph away');
    await waitFor(() => expect(picture()).toBeNull());
    expect(asked.map(({ method }) => method)).toEqual(['PUT', 'DELETE']);
  });

  it('that the server will not have is told, and the one before stays', async () => {
    drawsPictures();
    answering({ 'PUT /api/parts/hub/photo': () => new Refusal(507, 'The disk is full.') });
    show();
    pick('Another photograph');
    await waitFor(() => expect(text()).toContain('The disk is full.'), { timeout: 30_000 });
    expect(picture()).not.toBeNull();
  });
});
