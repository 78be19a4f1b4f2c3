import { Colors, DxfWriter, point2d, point3d, Units } from '@tarikjabiri/dxf';
import type { Template } from './template.ts';

/**
 * A template as DXF, in millimetres: what is cut on the layer CUT, what is only marked on MARK.
 *
 * @example toDxf({ name: 'a', title: 'A', marks: [] }).includes('ENTITIES') // true
 */
export function toDxf({ marks }: Template): string {
  const dxf = new DxfWriter();
  dxf.setUnits(Units.Millimeters);
  dxf.addLayer('CUT', Colors.White, 'Continuous');
  dxf.addLayer('MARK', Colors.Cyan, 'Continuous');
  for (const mark of marks) {
    if (mark.kind === 'text') {
      dxf.addText(point3d(mark.at[0], mark.at[1]), mark.height, mark.text, { layerName: 'MARK' });
      continue;
    }
    const layerName = mark.cut ? 'CUT' : 'MARK';
    if (mark.kind === 'circle')
      dxf.addCircle(point3d(mark.at[0], mark.at[1]), mark.diameter / 2, { layerName });
    else
      dxf.addLWPolyline(
        mark.points.map(([x, y]) => ({ point: point2d(x, y) })),
        { layerName, flags: mark.closed ? 1 : 0 },
      );
  }
  return dxf.stringify();
}
