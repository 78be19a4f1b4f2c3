import type { VehicleShape } from '@zubric/core/vehicle';
import { VehicleThumb } from '../vehicle/VehicleThumb.tsx';

/** A vehicle as small as a line of the list. */
export const LineDrawing = ({ shape }: { readonly shape: VehicleShape }) => (
  <VehicleThumb shape={shape} view="side" width={96} height={60} />
);
