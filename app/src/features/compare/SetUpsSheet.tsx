import { USUAL_BOOK } from '@fine-spray/contract';
import type { SetupCard, SetupRequest, Tip } from '@fine-spray/core';
import { useMemo } from 'react';
import { useCompany } from '@/data/resources';
import { Button } from '@/ui/button';
import { useUnits } from '@/ui/units';
import { cardOf, setUpNumbers, setUpWays, type SetUpWay } from './setUps';
import { Column, SideBySide } from './SideBySide';

export interface SetUpsSheetProps {
  readonly request: SetupRequest;
  readonly card: SetupCard;
  /** Fits another tip; without it the sheet only shows. */
  readonly onPick?: ((tip: Tip) => void) | undefined;
  readonly onClose: () => void;
}

/** Two or three set-ups of one surface side by side: time, money, paint, and what can go wrong. */
export function SetUpsSheet({ request, card, onPick, onClose }: SetUpsSheetProps) {
  const { system } = useUnits();
  const ways = useMemo(() => setUpWays(request, card, system), [request, card, system]);
  return (
    <SideBySide
      title="Set-ups side by side"
      lead="Same surface, paint, machine and hose."
      ways={ways}
      note="The film laid is the same with every tip, so the paint is. A test card has the last word; data sheets take precedence."
      column={(way) => (
        <SetUpColumn key={way.id} way={way} request={request} first={way === ways[0]} onPick={onPick} />
      )}
      onClose={onClose}
    />
  );
}

function SetUpColumn({
  way,
  request,
  first,
  onPick,
}: Pick<SetUpsSheetProps, 'request' | 'onPick'> & { way: SetUpWay; first: boolean }) {
  const { system } = useUnits();
  const { data: company } = useCompany();
  const result = useMemo(() => cardOf(request, way.tip, system), [request, way, system]);
  return (
    <Column
      name={way.name}
      about={way.about}
      failed={result.ok ? undefined : result.message}
      numbers={result.ok ? setUpNumbers(result.value, company?.book ?? USUAL_BOOK, system) : []}
    >
      {onPick && !first ? <Button label="Fit it" onPress={() => onPick(way.tip)} /> : null}
    </Column>
  );
}
