import { Button, Dropdown, Input, Segmented } from 'antd';
import { DownloadSimple, LinkSimple, Printer } from '@phosphor-icons/react';
import { useMemo, useState } from 'react';
import { fileName } from '../../core/document/fileName.ts';
import { prefer, writeNotes } from '../../core/edits/hem.ts';
import { writeHem } from '../../core/document/check.ts';
import { patternOf, type Section } from '../../core/words/pattern.ts';
import { patternMarkdown, patternText } from '../../core/words/patternText.ts';
import { countsCsv, yarnCsv } from '../../core/words/tables.ts';
import { useHemStore, usePlan } from '../hem/context.ts';
import { useNotices } from '../look/notices.tsx';
import { saveBlob, saveFile } from '../storage/exports.ts';
import { linkOf } from '../storage/link.ts';
import type { Plan } from '../../core/plan.ts';
import { Guard } from '../look/Guard.tsx';
import { drawingsOf } from './drawings.ts';
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

type Saving =
  | 'pdf'
  | 'text'
  | 'markdown'
  | 'counts'
  | 'yarn'
  | 'plan-svg'
  | 'plan-png'
  | 'chart-svg'
  | 'chart-png'
  | 'project';

const SAVED: readonly { readonly key: Saving; readonly label: string }[] = [
  { key: 'pdf', label: 'PDF with charts' },
  { key: 'text', label: 'Plain text' },
  { key: 'markdown', label: 'Markdown' },
  { key: 'plan-svg', label: 'Plan as SVG' },
  { key: 'plan-png', label: 'Plan as PNG' },
  { key: 'chart-svg', label: 'Charts as SVG' },
  { key: 'chart-png', label: 'Charts as PNG' },
  { key: 'counts', label: 'Counts as CSV' },
  { key: 'yarn', label: 'Yarn as CSV' },
  { key: 'project', label: 'Project file' },
];

function Tools() {
  const plan = usePlan();
  const store = useHemStore();
  const notices = useNotices();
  const [making, setMaking] = useState(false);
  const { name, preferences } = plan.hem;
  const { paper } = preferences;

  const save = async (kind: Saving): Promise<void> => {
    const pattern = patternOf(plan);
    const drawings = drawingsOf(plan);
    const file = (ending: string): string => fileName(name, ending);
    switch (kind) {
      case 'pdf': {
        const { patternPdf } = await import('./pdf.ts');
        saveBlob(file('.pdf'), await patternPdf(pattern, drawingsOf(plan, 'Commissioner'), paper));
        break;
      }
      case 'text':
        saveFile(file('.txt'), patternText(pattern), 'text/plain');
        break;
      case 'markdown':
        saveFile(file('.md'), patternMarkdown(pattern), 'text/markdown');
        break;
      case 'counts':
        saveFile(file('-counts.csv'), countsCsv(plan), 'text/csv');
        break;
      case 'yarn':
        saveFile(file('-yarn.csv'), yarnCsv(plan), 'text/csv');
        break;
      case 'plan-svg':
        saveFile(file('-plan.svg'), drawings.plan, 'image/svg+xml');
        break;
      case 'plan-png':
        saveBlob(file('-plan.png'), await svgPicture(drawings.plan, 1600));
        break;
      case 'chart-svg':
        for (const c of drawings.charts)
          saveFile(fileName(`${name} ${c.name}`, '.svg'), c.svg, 'image/svg+xml');
        break;
      case 'chart-png':
        for (const c of drawings.charts)
          saveBlob(fileName(`${name} ${c.name}`, '.png'), await svgPicture(c.svg, 1600));
        break;
      case 'project':
        saveFile(file('.hem.json'), writeHem(plan.hem), 'application/json');
        break;
    }
  };
  const trySave = async (kind: Saving): Promise<void> => {
    setMaking(true);
    try {
      await save(kind);
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
      <Dropdown
        trigger={['click']}
        menu={{ items: [...SAVED], onClick: ({ key }) => void trySave(key as Saving) }}
      >
        <Button type="primary" icon={<DownloadSimple />} loading={making}>
          Save
        </Button>
      </Dropdown>
    </div>
  );
}
