import { Charging } from './Charging.tsx';
import { Drawn, Protection } from './Protection.tsx';
import { Interlocks } from './Interlocks.tsx';
import { Packs } from './Packs.tsx';
import { Rails } from './Rails.tsx';
import { Wires } from './Wires.tsx';

/** Packs, wires, fuse, switch, small supplies, charger and sun. */
export function SupplyForm() {
  return (
    <div className="grid gap-3">
      <Packs />
      <Wires />
      <Protection />
      <Drawn />
      <Rails />
      <Charging />
      <Interlocks />
    </div>
  );
}
