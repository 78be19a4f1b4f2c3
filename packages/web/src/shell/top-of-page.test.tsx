import { fireEvent, render, screen } from '@testing-library/react';
import { Link, MemoryRouter, Route, Routes, useNavigate } from 'react-router';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { useTopOfPage } from './use-top-of-page.ts';

function Pages() {
  useTopOfPage();
  const navigate = useNavigate();
  return (
    <>
      {['/brief', '/power', '/power?set=new', '/words#duty'].map((to) => (
        <Link key={to} to={to}>
          {to}
        </Link>
      ))}
      <button type="button" onClick={() => void navigate(-1)}>
        Back
      </button>
      <Routes>
        <Route path="*" element={<p>A page</p>} />
      </Routes>
    </>
  );
}

describe('a page', () => {
  const scrollTo = vi.fn();
  const go = (to: string): void => {
    fireEvent.click(screen.getByText(to));
  };
  beforeEach(() => {
    scrollTo.mockClear();
    vi.stubGlobal('scrollTo', scrollTo);
    render(
      <MemoryRouter initialEntries={['/brief']}>
        <Pages />
      </MemoryRouter>,
    );
  });

  it('that is gone to begins at its top; one that is opened stays where the browser puts it', () => {
    expect(scrollTo).not.toHaveBeenCalled();
    go('/power');
    expect(scrollTo.mock.calls).toEqual([[0, 0]]);
  });

  it('stays where it is while something is chosen in it, where one goes back, and where a place in it is named', () => {
    go('/power');
    scrollTo.mockClear();
    go('/power?set=new');
    go('Back');
    go('Back');
    go('/words#duty');
    expect(scrollTo).not.toHaveBeenCalled();
  });
});
