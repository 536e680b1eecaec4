import type { StitchFound } from '../../drawing/find.ts';
import { held } from '../../core/held.ts';
import { Button, Checkbox, Dropdown, Segmented } from 'antd';
import { ListChoice } from '../look/ListChoice.tsx';
import { memo, useMemo, useRef, useState, type ReactNode } from 'react';
import type { Plan } from '../../core/plan/types.ts';
import { inTerms } from '../../core/terms/words.ts';
import {
  CLOSE_UP,
  closeUpPoint,
  partKey,
  partPoint,
  partsOfDrawing,
  type ViewPart,
} from '../../drawing/viewParts.ts';
import { useTheme } from '../look/ThemeAndNotices.tsx';
import { ArrowsInSimpleIcon, DownloadSimpleIcon, MinusIcon, PlusIcon } from '../look/icons.ts';
import { THEMES } from '../look/tokens.ts';
import { fileName } from '../../core/document/fileName.ts';
import { saveBlob, saveFile } from '../storage/exports.ts';
import { sceneOf, type Face } from '../../drawing/scene.ts';
import { svgOf } from '../../drawing/svg.ts';
import type { FabricSide } from '../../drawing/yarnFace.ts';
import { StitchStage, type StageHandle } from './StitchStage.tsx';
import styles from './stitchView.module.css';

/** Stitch widths of the piece and of the ground that are seen beside a border. */
const AROUND = 3.5;

export interface StitchViewProps {
  readonly plan: Plan;
  /** Part that is looked at; when the piece has no such part, its first corner. */
  readonly part: ViewPart;
  readonly onPart: (part: ViewPart) => void;
  /** Only this round in full, those round it faint; null for all. */
  readonly round?: number | null;
  /** Hears of the round of a stitch that was touched. */
  readonly onStitch?: (found: StitchFound) => void;
  readonly label: string;
  /** Other tools of the drawing. */
  readonly children?: ReactNode;
}

/** A part of the border, every stitch drawn; it can be dragged, zoomed, and asked what each stitch is. */
export const StitchView = memo(function StitchView({
  plan,
  part,
  onPart,
  round = null,
  onStitch,
  label,
  children,
}: StitchViewProps) {
  const stage = useRef<StageHandle>(null);
  const [face, setFace] = useState<Face>('yarn');
  const [seen, setSeen] = useState<FabricSide>('right');
  const [joins, setJoins] = useState(false);
  const { language } = plan.hem.preferences;
  const { sheet } = THEMES[useTheme()];
  const choice = useMemo(() => ({ face, seen, round, ground: sheet }), [face, seen, round, sheet]);
  const scene = useMemo(() => sceneOf(plan, choice), [plan, choice]);
  const parts = useMemo(() => partsOfDrawing(plan), [plan]);
  const asked = partKey(part);
  const key = parts.has(asked) ? asked : [...parts.keys()][0]!;
  const { label: name } = held(parts.get(key), 'a part that is shown is among those to choose from');
  const whole = key === 'whole';
  const focusRound = round ?? Math.floor((plan.rounds.length - 1) / 2);
  const focus = useMemo(
    () =>
      closeUpPoint(
        plan,
        held(parts.get(key), 'a part that is shown is among those to choose from').part,
        focusRound,
      ),
    [plan, focusRound, parts, key],
  );
  const close = CLOSE_UP.across * plan.stitchWidthMm;

  const save = async (kind: string): Promise<void> => {
    const file = `${plan.hem.name} ${name}`;
    if (kind === 'svg') {
      const drawing = svgOf(
        scene,
        held(stage.current, 'it is on the page while effects and events run').box(),
        `${plan.hem.name}: ${name}`,
      );
      saveFile(fileName(file, '.svg'), drawing, 'image/svg+xml');
    } else {
      const picture = await held(stage.current, 'it is on the page while effects and events run').picture();
      if (picture) saveBlob(fileName(file, '.png'), picture);
    }
  };

  return (
    <figure className={styles.stitchView}>
      <ListChoice
        className={styles.partChoice ?? ''}
        size="small"
        label="Show which part"
        value={key}
        popupMatchSelectWidth={false}
        showSearch={{ optionFilterProp: 'label' }}
        options={[...parts].map(([value, { label }]) => ({ value, label }))}
        onChange={(value) => {
          held(stage.current, 'it is on the page while effects and events run').home();
          onPart(held(parts.get(value), 'a part that is shown is among those to choose from').part);
        }}
      />
      <StitchStage
        ref={stage}
        plan={plan}
        choice={choice}
        scene={scene}
        focus={focus}
        across={whole ? plan.finishedSize.widthMm * 1.06 : close}
        down={
          whole
            ? plan.finishedSize.heightMm * 1.06
            : Math.min(0.8 * close, plan.borderWidthMm + AROUND * plan.stitchWidthMm)
        }
        first={partPoint(
          plan,
          held(parts.get(key), 'a part that is shown is among those to choose from').part,
          focusRound,
        )}
        focusRound={focusRound}
        joins={joins || key === 'starts'}
        onStitch={onStitch}
        label={`${label}: ${name}`}
      />
      <figcaption>
        <Segmented
          size="small"
          aria-label="Show as yarn or symbols"
          value={face}
          options={[
            { value: 'yarn', label: 'Yarn' },
            { value: 'symbols', label: 'Symbols' },
          ]}
          onChange={setFace}
        />
        <Segmented
          size="small"
          aria-label="Show front or back"
          value={seen}
          options={[
            { value: 'right', label: 'Front' },
            { value: 'wrong', label: 'Back' },
          ]}
          onChange={setSeen}
        />
        <Checkbox
          checked={joins || key === 'starts'}
          disabled={key === 'starts'}
          onChange={(e) => setJoins(e.target.checked)}
        >
          joins
        </Checkbox>
        {children}
        <span className={styles.viewTools}>
          <Dropdown
            trigger={['click']}
            menu={{
              items: [
                { key: 'svg', label: 'Drawing to enlarge (SVG)' },
                { key: 'png', label: 'Picture (PNG)' },
              ],
              onClick: ({ key }) => void save(key),
            }}
          >
            <Button size="small" type="text" aria-label="Save this drawing" icon={<DownloadSimpleIcon />} />
          </Dropdown>
          <Button
            size="small"
            type="text"
            aria-label="Zoom in"
            icon={<PlusIcon />}
            onClick={() => held(stage.current, 'it is on the page while effects and events run').zoomBy(1.25)}
          />
          <Button
            size="small"
            type="text"
            aria-label="Zoom out"
            icon={<MinusIcon />}
            onClick={() => held(stage.current, 'it is on the page while effects and events run').zoomBy(0.8)}
          />
          <Button
            size="small"
            type="text"
            aria-label={inTerms('Center the part again', language)}
            icon={<ArrowsInSimpleIcon />}
            onClick={() => held(stage.current, 'it is on the page while effects and events run').home()}
          />
        </span>
      </figcaption>
    </figure>
  );
});
