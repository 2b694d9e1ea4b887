import {
  coatingInput,
  of,
  quantity,
  showText,
  type Explained,
  type Result,
  type SetupCard,
} from '@fine-spray/core';
import { BUILD_SCHOOLS } from '@fine-spray/core/film';
import { useState, type ReactNode } from 'react';
import { View } from 'react-native';
import { strokeText, useWhy } from '@/features/setup';
import { Beside } from '@/ui/beside';
import { Big } from '@/ui/big';
import { Button } from '@/ui/button';
import { CautionBox } from '@/ui/caution';
import { FieldError, QuantityField } from '@/ui/field';
import { Panel } from '@/ui/panel';
import { QuantityStepper } from '@/ui/quantityStepper';
import { Segmented } from '@/ui/segmented';
import { ErrorState } from '@/ui/states';
import { Words } from '@/ui/text';
import { useUnits } from '@/ui/units';
import { BUILDS, useCalculator, type TrialSite } from './useCalculator';

/** What a field shows of a film that was worked out: more digits than a gauge has would not be read. */
const toMicron = (film: number) => Math.round(film * 1e6) / 1e6;

const FILM = { min: of(1, 'μm'), max: of(5, 'mm') };
const THINNER = { min: 0, max: 0.5 };
const OVERLAP = { min: 0, max: 0.95 };
const STROKE_TIME = { min: 0.5, max: 60 };

/** Wet film, dry film, spreading, gun speed and coats, each from the others. A trial: the surface keeps its card. */
export function CalculatorScreen({ site }: { site: TrialSite }) {
  if (!site.card.ok) return <ErrorState title="Nothing to work out yet" text={site.card.message} />;
  return <Calculator site={site} card={site.card.value} />;
}

type Props = Readonly<
  { site: TrialSite; card: SetupCard; onWhy: (number: Explained) => void } & ReturnType<typeof useCalculator>
>;

function Calculator({ site, card }: { site: TrialSite; card: SetupCard }) {
  const why = useWhy();
  // Counts how often the card's numbers were taken back, so that the fields forget what was typed.
  const [fresh, setFresh] = useState(0);
  const calculator = useCalculator(site, card);
  const props: Props = { site, card, onWhy: why.ask, ...calculator };
  return (
    <>
      <Beside
        key={fresh}
        left={<Films {...props} />}
        right={
          <>
            <Gun {...props} />
            <Coats {...props} />
            <Button
              label="Back to the card’s numbers"
              kind="quiet"
              className="min-h-[56px] self-start"
              onPress={() => {
                calculator.reset();
                setFresh(fresh + 1);
              }}
            />
          </>
        }
      />
      {why.sheet}
    </>
  );
}

/** A number of a trial, or why there is none. */
function Answer({
  result,
  children,
}: {
  result: Result<Explained>;
  children: (number: Explained) => ReactNode;
}) {
  return result.ok ? children(result.value) : <FieldError message={result.message} />;
}

const Why = ({ of: number, onWhy }: { of: Explained; onWhy: Props['onWhy'] }) => (
  <Button label="Why" kind="quiet" className="min-h-[56px]" onPress={() => onWhy(number)} />
);

/** Wet and dry film of a pass: either is typed, the other follows. */
function Films({ site, card, trial, answer, change, onWhy }: Props) {
  const { system } = useUnits();
  const { films, spreading, sags } = answer;
  const solids = coatingInput(site.request.coating, 'volumeSolids').value;
  const { wet, dry } = films.ok ? films.value : { wet: trial.film.value, dry: trial.film.value };
  return (
    <>
      <Panel testID="calculator-film">
        {films.ok ? (
          <>
            <View className="flex-row flex-wrap gap-x-6 gap-y-2">
              <Big label="Wet film" value={wet} kind="wetFilm" />
              <Big label="Dry film" value={dry} kind="dryFilm" />
            </View>
            <View className="flex-row flex-wrap items-center gap-x-2">
              <Words className="min-w-0 flex-1">
                {`${showText(solids, 'percent', system)} of the paint stays on the wall, ${showText(trial.thinner, 'percent', system)} thinner in it.`}
              </Words>
              <Why of={films.value.follows} onWhy={onWhy} />
            </View>
          </>
        ) : (
          <FieldError message={films.message} />
        )}
        <Answer result={spreading}>
          {(number) => (
            <View className="flex-row flex-wrap items-center gap-x-2">
              <Words className="min-w-0 flex-1">
                {`${showText(number.value, 'spreading', system)} in theory: before what misses, soaks in or follows the texture.`}
              </Words>
              <Why of={number} onWhy={onWhy} />
            </View>
          )}
        </Answer>
        <QuantityField
          label="Wet film wanted"
          kind="wetFilm"
          value={toMicron(wet)}
          bounds={FILM}
          onChange={(value) => change({ film: { is: 'wet', value } })}
        />
        <QuantityField
          label="Dry film wanted"
          kind="dryFilm"
          value={toMicron(dry)}
          bounds={FILM}
          onChange={(value) => change({ film: { is: 'dry', value } })}
        />
        <QuantityField
          label="Thinner in the paint"
          kind="percent"
          value={trial.thinner}
          bounds={THINNER}
          onChange={(thinner) => change({ thinner })}
        />
        <Words size={14} colour="ink2">
          {`${site.coating.name}. Its label and data sheet come before these numbers. Nothing here changes the surface.`}
        </Words>
      </Panel>
      {sags ? (
        <CautionBox
          what="This film runs"
          why={`More than ${showText(card.sagLimit.value, 'wetFilm', system)} wet does not stay up here.`}
          instead="Lay it in thinner passes, or in more coats."
        />
      ) : null}
    </>
  );
}

/** How fast the gun goes for that film, and what film another speed leaves. */
function Gun({ card, trial, answer, change, onWhy }: Props) {
  const { system } = useUnits();
  const stroke = strokeText(card, system);
  const { speed, laid, variation } = answer;
  return (
    <Panel title="Gun" testID="calculator-gun">
      <Answer result={speed}>
        {(number) => (
          <View className="flex-row flex-wrap items-center gap-x-2">
            <Words size={22} weight="bold" className="min-w-0 flex-1">
              {`${stroke} in ${showText(card.stroke.length / number.value, 'time', system)} for this film`}
            </Words>
            <Why of={number} onWhy={onWhy} />
          </View>
        )}
      </Answer>
      <QuantityStepper
        label={`My gun: ${stroke} in`}
        kind="time"
        value={trial.time}
        step={{ metric: 0.5, us: 0.5 }}
        bounds={STROKE_TIME}
        onChange={(time) => change({ time })}
      />
      <Answer result={laid}>
        {(number) => (
          <View className="flex-row flex-wrap items-center gap-x-2">
            <Words className="min-w-0 flex-1">
              {`My speed lays ${showText(number.value, 'wetFilm', system)} wet with ${card.tip.code} (likely ${showText(number.low, 'wetFilm', system)} to ${showText(number.high, 'wetFilm', system)}). A comb tells.`}
            </Words>
            <Why of={number} onWhy={onWhy} />
          </View>
        )}
      </Answer>
      <QuantityField
        label="Overlap of the passes"
        kind="percent"
        value={trial.overlap}
        bounds={OVERLAP}
        onChange={(overlap) => change({ overlap })}
      />
      <Answer result={variation}>
        {(number) => (
          <View className="flex-row flex-wrap items-center gap-x-2">
            <Words className="min-w-0 flex-1">
              {`With a usual hand the film is even to ± ${showText(number.value, 'percent', system)}.`}
            </Words>
            <Why of={number} onWhy={onWhy} />
          </View>
        )}
      </Answer>
    </Panel>
  );
}

/** Coats for a dry film in all. */
function Coats({ trial, answer, change, onWhy }: Props) {
  const { system } = useUnits();
  const { coats } = answer;
  return (
    <Panel title="Coats" testID="calculator-coats">
      {coats.ok ? (
        <>
          <View className="flex-row flex-wrap items-center gap-x-2">
            <Words size={22} weight="bold" className="min-w-0 flex-1">
              {`${coats.value.coats.value} × ${showText(quantity(coats.value.wetEach), 'wetFilm', system)} wet`}
            </Words>
            <Why of={coats.value.coats} onWhy={onWhy} />
          </View>
          <Words>{`${showText(quantity(coats.value.dryEach), 'dryFilm', system)} dry each. ${coats.value.words}`}</Words>
        </>
      ) : (
        <FieldError message={coats.message} />
      )}
      <QuantityField
        label="Dry film in all"
        kind="dryFilm"
        value={trial.total}
        bounds={FILM}
        onChange={(total) => change({ total })}
      />
      <Segmented
        label="How the film is built"
        value={trial.build}
        options={BUILDS.map((value) => ({ value, label: BUILD_SCHOOLS[value] }))}
        onChange={(build) => change({ build })}
      />
    </Panel>
  );
}
