import type { Coating, SystemLayer } from '@fine-spray/contract';
import { LAYER_NAMES } from '@fine-spray/contract/planning';
import { UNDER_LIMIT, archetypeOf } from '@fine-spray/core';
import Plus from 'lucide-react-native/icons/plus';
import { View } from 'react-native';
import { Button } from '@/ui/button';
import { Choice } from '@/ui/choice';
import { FieldError, QuantityField } from '@/ui/field';
import { Stepper } from '@/ui/stepper';
import { Words } from '@/ui/text';

/** Layers under the finish, from the surface outwards: primers over all of it and on spots. */
export function UnderLayers({
  under,
  coatings,
  errors,
  onChange,
  onInvalid,
}: {
  under: readonly SystemLayer[];
  coatings: readonly Coating[];
  errors: Readonly<Record<string, string | undefined>>;
  onChange: (under: SystemLayer[]) => void;
  onInvalid: (field: string, message: string | undefined) => void;
}) {
  const replace = (index: number, change: Partial<SystemLayer>) =>
    onChange(under.map((layer, at) => (at === index ? { ...layer, ...change } : layer)));
  const add = (role: 'spot prime' | 'prime') => {
    const wanted =
      role === 'prime' ? ['board-primer', 'exterior-wood-primer'] : ['stain-block', 'board-primer'];
    const coating = coatings.find(({ archetype }) => wanted.includes(archetype)) ?? coatings[0];
    if (!coating) return;
    const layer = { role, coatingId: coating.id, coats: 1, thinning: 0, share: role === 'prime' ? 1 : 0.1 };
    onChange(role === 'prime' ? [...under, layer] : [layer, ...under]);
  };
  const full = under.length >= UNDER_LIMIT;
  return (
    <View className="gap-3">
      {under.map((layer, index) => (
        <View
          key={index}
          role="group"
          aria-label={LAYER_NAMES[layer.role]}
          className="gap-2 rounded-2xl border border-rule p-3"
        >
          <View className="flex-row items-center justify-between">
            <Words weight="bold">{LAYER_NAMES[layer.role]}</Words>
            <Button
              label="Take out"
              kind="quiet"
              onPress={() => onChange(under.filter((_layer, at) => at !== index))}
            />
          </View>
          <Choice
            label={`${LAYER_NAMES[layer.role]} with`}
            value={layer.coatingId}
            options={coatings.map(({ id, name, archetype }) => ({
              value: id,
              label: name,
              note: archetypeOf(archetype).base === 'solvent' ? 'Carries solvent' : 'Water-borne',
            }))}
            error={errors[`under.${index}.coatingId`]}
            onChange={(coatingId) => replace(index, { coatingId })}
          />
          {layer.role === 'spot prime' ? (
            <QuantityField
              label="Share of the surface"
              kind="percent"
              value={layer.share}
              bounds={{ min: 0.01, max: 1 }}
              error={errors[`under.${index}.share`]}
              onChange={(share) => replace(index, { share })}
              onInvalid={(message) => onInvalid(`under.${index}.share`, message)}
            />
          ) : (
            <View className="flex-row items-center justify-between">
              <Words>Coats</Words>
              <Stepper
                label={`${LAYER_NAMES[layer.role]}: coats`}
                value={layer.coats}
                min={1}
                max={9}
                onChange={(coats) => replace(index, { coats })}
              />
            </View>
          )}
        </View>
      ))}
      {errors['under'] ? <FieldError message={errors['under']} /> : null}
      <View className="flex-row flex-wrap gap-2">
        <Button label="Spot prime" icon={Plus} disabled={full} onPress={() => add('spot prime')} />
        <Button label="Prime" icon={Plus} disabled={full} onPress={() => add('prime')} />
      </View>
    </View>
  );
}
