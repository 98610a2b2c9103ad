import { Input } from '@/ui/controls/input.client';
import type { Gate } from '@/core/gates/gate';

/** Why a licensed person goes on in spite of a hold: asked in the way of the work, so that it is found with gloves on. */
export function HoldReasons({
  gates,
  reasons,
  onReason,
}: {
  gates: readonly Gate[];
  reasons: Readonly<Record<string, string>>;
  onReason: (gate: string, reason: string) => void;
}) {
  return gates
    .filter((g) => g.strength === 'hold' && !g.asks)
    .map((gate) => (
      <div key={gate.id} className="mt-3 border-l-4 border-sap pl-3">
        <p className="font-semibold text-sap">{gate.title}</p>
        <p className="text-[0.9375rem]">
          {gate.sentence} {gate.satisfy}
        </p>
        <Input
          aria-label={`${gate.title}: go on because`}
          className="box mt-1"
          placeholder="Go on because …"
          maxLength={600}
          value={reasons[gate.id] ?? ''}
          onChange={(e) => onReason(gate.id, e.target.value)}
        />
      </div>
    ));
}
