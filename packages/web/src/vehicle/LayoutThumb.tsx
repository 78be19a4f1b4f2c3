import { startBuild, type LayoutTemplate } from '@zubric/core/vehicle';
import { VehicleThumb } from './VehicleThumb.tsx';

/** A layout from above; one that stands on wheels in line, or on one, from the side. */
export function LayoutThumb({ template }: { readonly template: LayoutTemplate }) {
  const build = startBuild({ name: template.title, layout: template.id, like: 'desk', jobs: [] });
  const flat = build.layout.axles.every(({ track }) => track.value === 0);
  return (
    <span className="mx-auto block w-16" aria-hidden="true">
      <VehicleThumb shape={build} view={flat ? 'side' : 'plan'} width={96} height={60} />
    </span>
  );
}
