import type { Weather } from '@fine-spray/contract';
import { checkSurface, coatingValues, given, quantity, recoatClocks, windLimit } from '@fine-spray/core';
import { useMemo } from 'react';
import Flag from 'lucide-react-native/icons/flag';
import Play from 'lucide-react-native/icons/play';
import { coatingsOf } from '@/data/record';
import { CautionBox } from '@/ui/caution';
import { QuantityStepper } from '@/ui/quantityStepper';
import { useUnits } from '@/ui/units';
import { useStation } from '../useStation';
import { coatOf, finishedCoat, startedCoat } from '../defaults';
import { CoatField } from './fields';
import type { FormProps, WrittenKind } from './types';
import { WeatherFields } from './WeatherFields';

/** A coat begun or finished, with the weather it is laid in and what speaks against it. */
function CoatForm(props: FormProps) {
  const { kind, payload, errors, onChange, onInvalid } = props;
  return (
    <>
      <Cautions {...props} />
      <CoatField {...props} />
      {kind === 'coat finished' ? (
        <QuantityStepper
          label="True area, with its texture"
          kind="area"
          value={Number(payload['trueArea'])}
          step={{ metric: 1, us: 10 }}
          bounds={{ min: 0.001, max: 100_000 }}
          error={errors['trueArea']}
          onChange={(trueArea) => {
            // As much soaks into each square metre as was planned.
            const share = Number(payload['absorbed']) / Number(payload['trueArea']);
            onChange({ trueArea, absorbed: trueArea * share });
          }}
          onInvalid={(message) => onInvalid('trueArea', message)}
        />
      ) : null}
      <WeatherFields {...props} />
    </>
  );
}

/** Hours until rain by the simulated station; nothing where none is forecast or stand-ins are off. */
function useRainIn(): number | undefined {
  return useStation().answer?.forecast.find(({ rain }) => rain > 0)?.ahead;
}

/** Too soon, too cold, too damp, too windy: said before the coat is begun, and of one that is finished too. */
function Cautions({ kind, payload, context }: FormProps) {
  const { log, surface, cardOf } = context;
  const outside = surface?.side === 'outside';
  const rainIn = useRainIn();
  const { system } = useUnits();
  const weather = payload['weather'] as Weather | null;
  const coating = coatingsOf(log.kit)[String(payload['coatingId'])];
  const clock = useMemo(
    () =>
      surface && kind === 'coat started'
        ? recoatClocks(log.record, coatingsOf(log.kit), Date.now(), system, new Set([surface.id]))[0]
        : undefined,
    [log, surface, kind, system],
  );
  const checked =
    weather && coating
      ? checkSurface(
          {
            air: given('Air', 'temperature', weather.air, 'Written here'),
            humidity: given('Humidity', 'percent', weather.humidity, 'Written here'),
            surface: given('Surface', 'temperature', weather.surface ?? weather.air, 'Written here'),
            minimum: quantity(coatingValues(coating).minimumTemperature),
          },
          system,
        )
      : undefined;
  const card = cardOf({ coatingId: String(payload['coatingId']), coat: Number(payload['coat']) });
  const windy =
    outside && card && weather?.wind
      ? windLimit(
          {
            fan: card.tip.candidate.tip.fan,
            distance: quantity(card.distance.value),
            wind: quantity(weather.wind),
            nearOthers: false,
          },
          system,
        )
      : undefined;
  const raining = (weather?.rain ?? 0) > 0;
  const stops = checked?.ok ? checked.value.stops : [];
  const soon = clock && (clock.state === 'wait' || clock.state === 'closed') ? clock : undefined;
  return (
    <>
      {soon ? (
        <CautionBox
          what={soon.state === 'wait' ? 'the last coat is not ready' : 'the recoat window has closed'}
          why={soon.words}
          instead="It is written down all the same if you go on."
        />
      ) : null}
      {stops.map(({ code, words }) => (
        <CautionBox key={code} what="not fit to spray" why={words} instead="" />
      ))}
      {windy?.ok && windy.value.verdict !== 'spray' ? (
        <CautionBox
          what={windy.value.verdict === 'stop' ? 'too much wind' : 'wind'}
          why={windy.value.reason}
          instead="Sooner where cars, windows or people are near."
        />
      ) : null}
      {outside && rainIn !== undefined && !raining ? (
        <CautionBox
          what="rain ahead"
          why={`The simulated station has rain in ${rainIn} h: what it says is made up, look at your own forecast.`}
          instead="Begin what is rain-fast before it."
        />
      ) : null}
      {outside && raining ? (
        <CautionBox
          what="rain"
          why="A film that is rained on within its drying time washes or blisters."
          instead="Cover it or wait."
        />
      ) : null}
    </>
  );
}

export const coatStarted: WrittenKind<'coat started'> = {
  tile: { label: 'Coat started', icon: Play, common: true, surface: true },
  form: CoatForm,
  first: (context) => startedCoat(context, coatOf(context)),
};

export const coatFinished: WrittenKind<'coat finished'> = {
  tile: { label: 'Coat finished', icon: Flag, common: true, surface: true },
  form: CoatForm,
  first: (context) => finishedCoat(context, coatOf(context)),
};
