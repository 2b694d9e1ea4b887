import { LAYER_NAMES, layerKey, type Kit, type SetupJob } from '@fine-spray/contract/planning';
import { PRECEDENCE_NOTE, sheetSays, type Tip } from '@fine-spray/core';
import Columns3 from 'lucide-react-native/icons/columns-3';
import Layers from 'lucide-react-native/icons/layers';
import { View } from 'react-native';
import { AskOnce } from '@/features/cautions';
import { SetupCardView, type CardPart } from '@/features/setup';
import { DialledIn, ToolRow, type ToolsUnder } from '@/features/site';
import { Button } from '@/ui/button';
import { Segmented } from '@/ui/segmented';
import { ErrorState } from '@/ui/states';
import { Words } from '@/ui/text';
import { useUnits } from '@/ui/units';
import { hoseText } from './Questions';
import type { LayerSetup } from './useLayerSetup';

export interface SetupAnswerProps {
  readonly setup: LayerSetup;
  readonly job: SetupJob;
  readonly kit: Kit;
  readonly under: ToolsUnder;
  readonly onOpen: (part: CardPart) => void;
  readonly onPickTip: (tip: Tip) => void;
  readonly onBeside: (what: 'film' | 'set-ups') => void;
}

/** The answer for a surface: the card of the layer that is chosen, or why there is none, and the ways on. */
export function SetupAnswer({ setup, job, kit, under, onOpen, onPickTip, onBeside }: SetupAnswerProps) {
  const { system } = useUnits();
  const { layers, underneath, sprayed, role, setRole, request, card, refusal, coating } = setup;
  const works = card !== undefined && !refusal;
  return (
    <View className="gap-3">
      {layers.length > 1 ? (
        <Segmented
          label="Set-up for"
          value={role}
          options={layers.map((one, index) => ({
            value: layerKey(layers, index),
            label: LAYER_NAMES[one.role],
          }))}
          onChange={setRole}
        />
      ) : null}
      {card ? (
        <SetupCardView
          card={card}
          coats={sprayed.coats}
          hoseText={hoseText(job, kit, system)}
          fromDataSheet={coating ? sheetSays(coating) : []}
          stale={refusal?.message}
          onOpen={onOpen}
          onPickTip={({ candidate }) => onPickTip(candidate.tip)}
        />
      ) : refusal ? null : (
        <ErrorState
          title="No card yet"
          text="This job's sprayer or this surface's coating is missing from the kit. Choose another one."
        />
      )}
      {works && card.dialledIn && request ? (
        <DialledIn found={card.dialledIn} limit={request.sprayer.maxPressure} />
      ) : null}
      {works ? <AskOnce jobId={job.id} coatingId={sprayed.coatingId} /> : null}
      {works ? (
        <View className="flex-row flex-wrap gap-2">
          <Button
            label="See the film on the wall"
            icon={Layers}
            className="flex-grow"
            onPress={() => onBeside('film')}
          />
          <Button
            label="Compare set-ups"
            icon={Columns3}
            className="flex-grow"
            onPress={() => onBeside('set-ups')}
          />
        </View>
      ) : null}
      {works ? <ToolRow under={under} layer={underneath ? role : undefined} /> : null}
      <Words size={14} colour="ink2">
        {PRECEDENCE_NOTE}
      </Words>
    </View>
  );
}
