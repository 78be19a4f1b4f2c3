import { fireEvent, render, screen } from '@testing-library/react';
import { memo } from 'react';
import { describe, expect, it } from 'vitest';
import { useSteady } from './use-steady.ts';

describe('a function that stays the same from drawing to drawing', () => {
  it('does what was given last, and draws nobody anew who is handed it', () => {
    let drawn = 0;
    const Key = memo(function Key({ onPress }: { readonly onPress: (by: number) => void }) {
      drawn += 1;
      return <button type="button" onClick={() => onPress(2)} />;
    });
    const Board = ({ onPress }: { readonly onPress: (by: number) => void }) => (
      <Key onPress={useSteady(onPress)} />
    );
    const pressed: string[] = [];
    const { rerender } = render(<Board onPress={(by) => pressed.push(`first ${by}`)} />);
    rerender(<Board onPress={(by) => pressed.push(`second ${by}`)} />);
    fireEvent.click(screen.getByRole('button'));
    expect(pressed).toEqual(['second 2']);
    expect(drawn).toBe(1);
  });

  it('is none where none is given', () => {
    const seen: unknown[] = [];
    const None = ({ work }: { readonly work: (() => void) | undefined }) => {
      seen.push(useSteady(work));
      return null;
    };
    const { rerender } = render(<None work={undefined} />);
    rerender(<None work={() => undefined} />);
    expect(seen).toEqual([undefined, expect.any(Function)]);
  });
});
