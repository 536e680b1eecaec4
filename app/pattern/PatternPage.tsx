import { Button, Dropdown, Input, Segmented } from 'antd';
import { DownloadSimple, LinkSimple, Printer } from '@phosphor-icons/react';
import { useMemo, useState } from 'react';
import { fileName } from '../../core/document/fileName.ts';
import { prefer, writeNotes } from '../../core/edits/hem.ts';
import { patternOf, type Section } from '../../core/words/pattern.ts';
import { useHemStore, usePlan } from '../hem/context.ts';
import { useNotices } from '../look/notices.tsx';
import { saveBlob, saveFile } from '../storage/exports.ts';
import { linkOf } from '../storage/link.ts';
import type { Plan } from '../../core/plan/types.ts';
import { Guard } from '../hem/Guard.tsx';
import { drawingsOf } from '../../drawing/patternDrawings.ts';
import { EXPORTS, EXPORT_IDS, type Export, type ExportId } from '../../drawing/exports.ts';
import { svgPicture } from './picture.ts';
import './pattern.css';

/** The written border for this piece, and every way in which it leaves the application. */
export function PatternPage() {
  const plan = usePlan();
  const store = useHemStore();
  const { preferences, notes } = plan.hem;
  const pattern = useMemo(() => patternOf(plan), [plan]);
  const [terms, ...sections] = pattern.sections;
  return (
    <div className="pattern-page">
      <Tools />
      <article className={`pattern-sheet ${preferences.paper}`}>
        <h1>{pattern.title}</h1>
        {terms && <SectionWords section={terms} />}
        <Guard what="The plan of the piece" resetKeys={[plan]}>
          <PlanPicture plan={plan} />
        </Guard>
        {sections.map((section) => (
          <SectionWords key={section.heading} section={section} />
        ))}
        <section className="charts">
          <h2>Charts</h2>
          <Guard what="The charts" resetKeys={[plan]}>
            <Charts plan={plan} />
          </Guard>
        </section>
      </article>
      <label className="pattern-notes">
        Your own notes, printed among the notes of the pattern
        <Input.TextArea
          value={notes}
          autoSize={{ minRows: 2, maxRows: 12 }}
          maxLength={20000}
          onChange={(e) => {
            const text = e.target.value;
            store.do(writeNotes(text));
          }}
          onBlur={() => store.endJoin()}
        />
      </label>
    </div>
  );
}

const PlanPicture = ({ plan }: { readonly plan: Plan }) => (
  <Drawn className="pattern-plan" svg={drawingsOf(plan).plan} />
);

function Charts({ plan }: { readonly plan: Plan }) {
  const { charts, legend } = drawingsOf(plan);
  return (
    <>
      {charts.map(({ name, svg }) => (
        <figure key={name}>
          <Drawn svg={svg} />
          <figcaption>{name}</figcaption>
        </figure>
      ))}
      <ul className="legend">
        {legend.map(({ svg, words }) => (
          <li key={words}>
            <Drawn svg={svg} /> {words}
          </li>
        ))}
      </ul>
    </>
  );
}

function SectionWords({ section: { heading, lines } }: { readonly section: Section }) {
  return (
    <section>
      <h2>{heading}</h2>
      {lines.map(({ kind, text }, i) => (
        <p key={i} className={kind === 'care' ? 'problem' : kind}>
          {text}
        </p>
      ))}
    </section>
  );
}

/** A drawing that the application made itself as SVG text. */
const Drawn = ({ svg, className }: { readonly svg: string; readonly className?: string }) => (
  <div className={className} dangerouslySetInnerHTML={{ __html: svg }} />
);

/** The ways to save: all exports, drawings as pictures too, and the whole as a PDF, which needs a page. */
const SAVED = [
  { key: 'pdf', label: 'PDF with charts' },
  ...EXPORT_IDS.flatMap((id) => {
    const { label, ...rest }: Export = EXPORTS[id];
    return rest.drawing
      ? [
          { key: `${id}.svg`, label: `${label} as SVG` },
          { key: `${id}.png`, label: `${label} as PNG` },
        ]
      : [{ key: id, label }];
  }),
];

/** Width of a drawing as a picture, pixels. */
const PICTURE_WIDTH = 1600;

function Tools() {
  const plan = usePlan();
  const store = useHemStore();
  const notices = useNotices();
  const [making, setMaking] = useState(false);
  const { name, preferences } = plan.hem;
  const { paper } = preferences;

  const save = async (key: string): Promise<void> => {
    if (key === 'pdf') {
      const { patternPdf } = await import('./pdf.ts');
      const pdf = await patternPdf(patternOf(plan), drawingsOf(plan, 'Commissioner'), paper);
      return saveBlob(fileName(name, '.pdf'), pdf);
    }
    const [id, picture] = key.split('.') as [ExportId, string?];
    const { files, type } = EXPORTS[id];
    for (const file of files(plan)) {
      if (picture !== 'png') saveFile(file.name, file.text, type);
      else saveBlob(file.name.replace(/svg$/, 'png'), await svgPicture(file.text, PICTURE_WIDTH));
    }
  };
  const trySave = async (key: string): Promise<void> => {
    setMaking(true);
    try {
      await save(key);
    } catch (error) {
      notices.error({
        title: 'It could not be saved',
        description: `${(error as Error).message}. Your hem is as it was; try another kind of file, or print.`,
      });
    } finally {
      setMaking(false);
    }
  };
  const share = async (): Promise<void> => {
    const link = linkOf(plan.hem, window.location.origin);
    if (!link) {
      notices.info({
        title: 'This hem is too large for a link',
        description: 'Save the project file and send that instead.',
      });
      return;
    }
    try {
      await navigator.clipboard.writeText(link);
      notices.success({
        title: 'The link is copied',
        description: 'It holds the whole hem; whoever opens it gets a copy.',
      });
    } catch {
      // No leave to write to the clipboard: the link is shown to be copied by hand.
      notices.info({
        title: 'Copy this link',
        description: <code className="shared-link">{link}</code>,
        duration: 0,
      });
    }
  };
  return (
    <div className="pattern-tools">
      <Segmented<'a4' | 'letter'>
        aria-label="Paper"
        value={paper}
        options={[
          { value: 'a4', label: 'A4' },
          { value: 'letter', label: 'Letter' },
        ]}
        onChange={(v) => store.do(prefer('paper', v))}
      />
      <Button icon={<LinkSimple />} onClick={() => void share()}>
        Copy a link
      </Button>
      <Button icon={<Printer />} onClick={() => window.print()}>
        Print
      </Button>
      <Dropdown trigger={['click']} menu={{ items: SAVED, onClick: ({ key }) => void trySave(key) }}>
        <Button type="primary" icon={<DownloadSimple />} loading={making}>
          Save
        </Button>
      </Dropdown>
    </div>
  );
}
