import {
  SIZE_LIMITS,
  boxOf,
  lPlan,
  rectangleOf,
  rectanglePlan,
  wallLengths,
  withCorner,
  withWallLength,
  withoutCorner,
  type Ceiling,
  type Polygon,
  type RoomMeasure,
} from '@fine-spray/core';
import PenLine from 'lucide-react-native/icons/pen-line';
import { useState } from 'react';
import { View } from 'react-native';
import { Button } from '@/ui/button';
import { FieldError, Labelled } from '@/ui/field';
import { LengthField } from '@/ui/length';
import { Segmented } from '@/ui/segmented';
import { Words } from '@/ui/text';
import { DrawPad } from './DrawPad';

export interface RoomSizesProps {
  readonly room: RoomMeasure;
  readonly errors: Readonly<Record<string, string | undefined>>;
  readonly chosenWall: number | undefined;
  readonly onChange: (change: Partial<RoomMeasure>, step: string) => void;
  readonly onInvalid: (field: string, message: string | undefined) => void;
}

const SHAPES = [
  { value: 'rectangle', label: 'Rectangle' },
  { value: 'outline', label: 'Other shape' },
] as const;

const CEILINGS = [
  { value: 'flat', label: 'Flat' },
  { value: 'sloped', label: 'Sloped' },
  { value: 'vaulted', label: 'Vaulted' },
] as const;

const RISES = [
  { value: 'x', label: 'Along the length' },
  { value: 'y', label: 'Along the width' },
] as const;

/** How much higher a ridge is than the walls before anybody has measured it, m. */
const USUAL_RISE = 1.2;

/** Length, width and height of a room; wall by wall where it is no rectangle; its ceiling. */
export function RoomSizes({ room, errors, chosenWall, onChange, onInvalid }: RoomSizesProps) {
  const sides = rectangleOf(room.plan);
  const { ceiling } = room;
  const invalid = (field: string) => (message: string | undefined) => onInvalid(field, message);
  const setPlan = (plan: Polygon, step: string) => onChange({ plan }, step);
  const setCeiling = (next: Ceiling, step: string) => onChange({ ceiling: next }, step);
  return (
    <View className="gap-3">
      <Segmented
        label="Shape of the room"
        value={sides ? 'rectangle' : 'outline'}
        options={SHAPES}
        onChange={(shape) => {
          const { width, length } = sizesOfBox(room.plan);
          if (shape === 'outline' && sides) setPlan(lPlan(length, width), 'shape');
          if (shape === 'rectangle' && !sides) setPlan(rectanglePlan(length, width), 'shape');
        }}
      />
      {sides ? (
        <>
          <LengthField
            label="Length"
            value={sides.length}
            bounds={SIZE_LIMITS}
            error={errors['measure.plan.length']}
            onChange={(length) => setPlan(rectanglePlan(length, sides.width), 'length')}
            onInvalid={invalid('length')}
          />
          <LengthField
            label="Width"
            value={sides.width}
            bounds={SIZE_LIMITS}
            error={errors['measure.plan.width']}
            onChange={(width) => setPlan(rectanglePlan(sides.length, width), 'width')}
            onInvalid={invalid('width')}
          />
        </>
      ) : null}
      <LengthField
        label={ceiling.shape === 'flat' ? 'Height' : 'Height of the low walls'}
        value={room.height}
        bounds={SIZE_LIMITS}
        error={errors['measure.height']}
        onChange={(height) => onChange({ height }, 'height')}
        onInvalid={invalid('height')}
      />
      {sides ? null : (
        <Walls room={room} errors={errors} chosen={chosenWall} onPlan={setPlan} onInvalid={onInvalid} />
      )}
      <Drawing height={room.height} onPlan={setPlan} />
      <Labelled label="Ceiling">
        <Segmented
          label="Ceiling"
          value={ceiling.shape}
          options={CEILINGS}
          onChange={(shape) =>
            setCeiling(
              shape === 'flat'
                ? { shape }
                : {
                    shape,
                    ridge: ceiling.shape === 'flat' ? room.height + USUAL_RISE : ceiling.ridge,
                    rises: ceiling.shape === 'flat' ? acrossOf(room.plan) : ceiling.rises,
                  },
              'ceiling',
            )
          }
        />
      </Labelled>
      {ceiling.shape === 'flat' ? null : (
        <>
          <LengthField
            label={ceiling.shape === 'vaulted' ? 'Height at the ridge' : 'Height of the high wall'}
            value={ceiling.ridge}
            bounds={SIZE_LIMITS}
            error={errors['measure.ceiling.ridge']}
            onChange={(ridge) => setCeiling({ ...ceiling, ridge }, 'ridge')}
            onInvalid={invalid('ridge')}
          />
          <Labelled label="It rises">
            <Segmented
              label="It rises"
              value={ceiling.rises}
              options={RISES}
              onChange={(rises) => setCeiling({ ...ceiling, rises }, 'rises')}
            />
          </Labelled>
        </>
      )}
    </View>
  );
}

/** Length and width of the box around a plan. */
function sizesOfBox(plan: Polygon): { length: number; width: number } {
  const { left, right, low, high } = boxOf(plan);
  return { length: right - left, width: high - low };
}

/** A roof rises over the shorter way of a room. */
function acrossOf(plan: Polygon): 'x' | 'y' {
  const { length, width } = sizesOfBox(plan);
  return width <= length ? 'y' : 'x';
}

/** A room of any outline, wall by wall. */
function Walls({
  room: { plan },
  errors,
  chosen,
  onPlan,
  onInvalid,
}: {
  room: RoomMeasure;
  errors: Readonly<Record<string, string | undefined>>;
  chosen: number | undefined;
  onPlan: (plan: Polygon, step: string) => void;
  onInvalid: (field: string, message: string | undefined) => void;
}) {
  return (
    <View className="gap-2">
      {errors['measure.plan'] ? <FieldError message={errors['measure.plan']} /> : null}
      {wallLengths(plan).map((length, wall) => (
        <View key={wall} className={`gap-1 rounded-xl ${chosen === wall ? 'bg-identity-tint p-2' : ''}`}>
          <LengthField
            label={`Wall ${wall + 1}`}
            value={length}
            bounds={SIZE_LIMITS}
            error={errors[`measure.plan.${wall}`]}
            onChange={(next) => onPlan(withWallLength(plan, wall, next), `wall ${wall}`)}
            onInvalid={(message) => onInvalid(`wall ${wall}`, message)}
          />
          {chosen === wall ? (
            <View className="flex-row flex-wrap gap-2">
              <Button label="Corner in its middle" onPress={() => onPlan(withCorner(plan, wall), 'corner')} />
              <Button
                label="Take out its first corner"
                disabled={plan.length <= 3}
                onPress={() => onPlan(withoutCorner(plan, wall), 'no corner')}
              />
            </View>
          ) : null}
        </View>
      ))}
      <Words size={14} colour="ink2">
        Tap a wall in the plan to put a corner into it. A wall that is made longer takes the next one that
        runs the other way with it.
      </Words>
    </View>
  );
}

function Drawing({ height, onPlan }: { height: number; onPlan: (plan: Polygon, step: string) => void }) {
  const [drawing, setDrawing] = useState(false);
  return (
    <>
      <Button label="Draw the plan" icon={PenLine} onPress={() => setDrawing(true)} className="self-start" />
      {drawing ? (
        <DrawPad
          height={height}
          onClose={() => setDrawing(false)}
          onDone={(plan) => {
            onPlan(plan, 'drawn');
            setDrawing(false);
          }}
        />
      ) : null}
    </>
  );
}
