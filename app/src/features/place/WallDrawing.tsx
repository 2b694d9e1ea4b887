import { areaOf, pieceArea, pieceOf, openingsArea, showText, type PieceGeometry } from '@fine-spray/core';
import { View } from 'react-native';
import Svg, { G, Path } from 'react-native-svg';
import { pathOf } from '@/ui/svgPath';
import { Words } from '@/ui/text';
import { useTheme } from '@/ui/theme/theme';
import { useUnits } from '@/ui/units';
import { frameOf } from './drawing';

/** One wall to scale with its openings, and its area below. */
export function WallDrawing({ piece, scale }: { piece: PieceGeometry; scale: number }) {
  const { palette } = useTheme();
  const { system } = useUnits();
  const { outline, openings } = pieceOf(piece);
  const margin = 2 / scale;
  const frame = frameOf(outline, margin);
  const drawn = openings.reduce((sum, opening) => sum + areaOf(opening), 0);
  const hidden = openingsArea(piece) - drawn > 0.01;
  const net = pieceArea(piece) * piece.count - openingsArea(piece);
  return (
    <View className="items-start gap-1">
      <Svg
        viewBox={`${frame.x} ${frame.y} ${frame.width} ${frame.height}`}
        width={frame.width * scale}
        height={frame.height * scale}
        role="img"
        aria-label={`${piece.name ?? 'Wall'} to scale`}
      >
        <G transform={`matrix(1 0 0 -1 0 ${2 * frame.y + frame.height})`}>
          <Path d={pathOf(outline)} fill={palette.wall} stroke={palette.ink} strokeWidth={2.5 / scale} />
          {openings.map((opening, index) => (
            <Path
              key={index}
              d={pathOf(opening)}
              fill={palette.ground}
              stroke={palette.ink}
              strokeWidth={1.5 / scale}
            />
          ))}
        </G>
      </Svg>
      <Words size={14} weight="semi">
        {`${piece.name ?? 'Wall'} ${showText(net, 'area', system)}`}
      </Words>
      {hidden ? (
        <Words size={14} colour="ink2">
          not all openings drawn
        </Words>
      ) : null}
    </View>
  );
}
