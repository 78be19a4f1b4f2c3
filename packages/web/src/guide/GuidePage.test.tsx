import { GUIDE } from '@zubric/core/guide';
import { findCalculator } from '@zubric/core/calculators';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { STATIONS } from '../common/stations.ts';
import { answering, Refusal } from '../testing/answers.ts';
import { onPage } from '../testing/on-page.tsx';
import { GuidePage } from './GuidePage.tsx';

const text = (): string => document.body.textContent;

describe('the guide', () => {
  it('has a page for each station, in their order, and no other', () => {
    expect(GUIDE.map(({ station }) => station)).toEqual(STATIONS.map(({ path }) => path));
  });

  it.each(GUIDE.map((page) => [page.station, page] as const))(
    '%s shows what it answers, formulas with source and limits, and its examples',
    (station, page) => {
      onPage(<GuidePage />, `/guide/${station}`, '/guide/:station');
      expect(screen.getByRole('heading', { level: 1, name: page.title })).toBeDefined();
      for (const line of [...page.answers, ...page.how, ...page.limits]) expect(text()).toContain(line);
      for (const name of page.sums) {
        const sum = findCalculator(name);
        expect(text()).toContain(sum?.formula);
        expect(text()).toContain(`Source: ${sum?.source ?? ''}`);
      }
      for (const { given } of page.examples) expect(text()).toContain(given);
    },
  );

  it('opens an example as a build, and says why where it cannot', async () => {
    let room = false;
    const asked = answering({
      'POST /api/builds': () =>
        room
          ? { id: 'made', version: 1, updatedAt: '2026-11-29T10:00:00Z', document: {} }
          : new Refusal(507, 'The disk is full.'),
    });
    onPage(<GuidePage />, '/guide/brief', '/guide/:station');
    const press = () => fireEvent.click(screen.getByRole('button', { name: /^Open “What a slope asks”/ }));
    press();
    await waitFor(() => expect(text()).toContain('It could not be begun: The disk is full.'));
    room = true;
    press();
    await waitFor(() => expect(asked.filter(({ method }) => method === 'POST')).toHaveLength(2));
    expect(asked.at(-1)?.body).toMatchObject({ document: { name: 'Example: a slope' } });
  });
});
