import type { MarkRole, Scene } from '../../../core/drawing/mark.ts';
import { handGaugeScene } from '../../../core/drawing/gauge.ts';
import type { HandGauge } from '../../../core/gauge/handGauges.ts';
import { inUnit, type LengthUnit } from '../../../core/measure/length.ts';
import type { Finding } from '../../../core/safety/check.ts';
import type { Rule } from '../../../core/safety/rules.ts';
import { Marks } from '../../drawing/Marks.tsx';
import { Mat } from '../../drawing/Mat.tsx';
import { OverMat } from '../../drawing/OverMat.tsx';
import { text } from './text.ts';

const PIECES: readonly MarkRole[] = ['piece', 'piece-in', 'piece-detail'];
const HOLES: readonly MarkRole[] = ['opening', 'slit', 'punch'];
/** What of a drawing a kind of feature is seen by. */
const SEEN: Partial<Record<Rule['looksAt'], readonly MarkRole[]>> = {
  piece: PIECES,
  give: PIECES,
  attached: PIECES,
  filler: PIECES,
  opening: HOLES,
  'moving gap': [...HOLES, 'piece'],
  'cut edge': [...HOLES, 'cut', 'fold'],
  remnant: [...HOLES, 'cut'],
  staple: ['slit', 'punch', 'piece-detail'],
  cord: ['thread'],
};

/** A finding's gauge: what is judged and its limit at one scale. */
export function OnGauge({
  gauge,
  limit,
  of,
  unit,
  onBack,
}: {
  gauge: HandGauge;
  limit: number;
  of: Finding;
  unit: LengthUnit;
  onBack(): void;
}) {
  const scene = handGaugeScene(gauge, limit);
  return (
    <Mat
      width={scene.width}
      height={scene.height}
      unit={unit}
      reserve={92}
      most={7}
      label={text('onGauge', { title: of.title, where: of.where })}
      over={
        <OverMat>
          <strong>{of.title}</strong>: {inUnit(of.words, unit)}
          <br />
          <button type="button" style={{ marginTop: 6 }} onClick={onBack}>
            {text('backCylinder')}
          </button>
        </OverMat>
      }
    >
      {({ px }) => <Marks marks={scene.marks} px={px} unit={unit} />}
    </Mat>
  );
}

/** Where on the design a finding sits: what it is about stands out, the rest steps back. */
export function OnDesign({
  scene,
  of,
  looksAt,
  unit,
  onBack,
}: {
  scene: Scene;
  of: Finding;
  looksAt: Rule['looksAt'] | undefined;
  unit: LengthUnit;
  onBack(): void;
}) {
  const roles = (looksAt && SEEN[looksAt]) ?? [];
  const isIt = (m: Scene['marks'][number]): boolean => 'role' in m && roles.includes(m.role);
  const it = scene.marks.filter(isIt);
  const rest = it.length > 0 ? scene.marks.filter((m) => !isIt(m)) : [];
  return (
    <Mat
      width={scene.width}
      height={scene.height}
      unit={unit}
      reserve={92}
      label={text('where', { where: of.where || of.title })}
      over={
        <OverMat>
          <strong>{of.title}</strong>
          {of.where && of.where !== of.title ? `: ${of.where}` : ''}
          <br />
          <button type="button" style={{ marginTop: 6 }} onClick={onBack}>
            {text('backCylinder')}
          </button>
        </OverMat>
      }
    >
      {({ px }) => (
        <>
          <g opacity={0.28}>
            <Marks marks={rest} px={px} unit={unit} />
          </g>
          <Marks marks={it.length > 0 ? it : scene.marks} px={px} unit={unit} />
        </>
      )}
    </Mat>
  );
}
