import { startBuild, type Build, type LayoutTemplate } from '@zubric/core/vehicle';
import { VehicleDrawing } from './VehicleDrawing.tsx';

interface ThumbProps {
  readonly build: Build;
  readonly view: 'side' | 'plan';
  readonly width?: number;
  readonly height?: number;
}

/** Wheels and body alone, without names: a picture beside words that say the same. */
export const Thumb = ({ build, view, width = 180, height = 120 }: ThumbProps) => (
  <VehicleDrawing build={build} view={view} width={width} height={height} label="" bare />
);

/** A layout from above; one that stands on wheels in line, or on one, from the side. */
export function LayoutThumb({ template }: { readonly template: LayoutTemplate }) {
  const build = startBuild({ name: template.title, layout: template.id, like: 'desk', jobs: [] });
  const flat = build.layout.axles.every(({ track }) => track.value === 0);
  return (
    <span className="mx-auto block w-16" aria-hidden="true">
      <Thumb build={build} view={flat ? 'side' : 'plan'} width={96} height={60} />
    </span>
  );
}
