import {
  SURFACE_KINDS,
  areaLines,
  measure,
  showText,
  type SurfaceGeometry,
  type SurfaceKind,
} from '@fine-spray/core';
import { View } from 'react-native';
import { Words } from '@/ui/text';
import { useUnits } from '@/ui/units';

/** Lines shown before the rest is summed up. */
const FIRST = 40;

/** How an area was worked out: pieces, openings, net area, what was put instead, and what the texture makes of it. */
export function AreaLines({ geometry, kind }: { geometry: SurfaceGeometry; kind?: SurfaceKind | undefined }) {
  const { system } = useUnits();
  const lines = areaLines(geometry, system);
  const { override, ...measured } = geometry;
  const worked = measure(measured, system);
  const text = (area: number) => showText(area, 'area', system);
  const texture = kind === undefined ? undefined : SURFACE_KINDS[kind];
  const net = override?.net ?? (worked.ok ? worked.value.net : undefined);
  return (
    <View className="gap-1" testID="area-lines">
      {lines.slice(0, FIRST).map(({ name, sum, area }, index) => (
        <View key={index} className="flex-row items-baseline gap-2 border-b border-rule py-1">
          <View className="min-w-0 flex-1">
            <Words weight={area < 0 ? 'regular' : 'semi'}>
              {area < 0 ? `less ${name.toLowerCase()}` : name}
            </Words>
            <Words size={14} colour="ink2">
              {sum}
            </Words>
          </View>
          <Words weight="digits">{text(area)}</Words>
        </View>
      ))}
      {lines.length > FIRST ? <Words colour="ink2">{`and ${lines.length - FIRST} more lines`}</Words> : null}
      {worked.ok ? <Sum name="Net area" value={text(worked.value.net)} bold={!override} /> : null}
      {override ? <Sum name={`Put in by hand: ${override.reason}`} value={text(override.net)} bold /> : null}
      {texture && net !== undefined && texture.texture !== 1 ? (
        <Sum
          name={`True area, ${texture.name.toLowerCase()}, × ${texture.texture.toFixed(2)}`}
          value={text(net * texture.texture)}
        />
      ) : null}
    </View>
  );
}

function Sum({ name, value, bold = false }: { name: string; value: string; bold?: boolean }) {
  return (
    <View className="flex-row items-baseline gap-2 py-1">
      <Words weight={bold ? 'bold' : 'semi'} className="min-w-0 flex-1">
        {name}
      </Words>
      <Words weight={bold ? 'digits-bold' : 'digits'} size={bold ? 22 : 16}>
        {value}
      </Words>
    </View>
  );
}
