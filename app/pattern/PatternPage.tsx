import { Button, Checkbox, Dropdown, Input, Segmented } from 'antd';
import { ListChoice } from '../look/ListChoice.tsx';
import { useEffect, useMemo, useState } from 'react';
import { prefer, writeMade, writeNotes } from '../../core/edits/hem.ts';
import {
  PATTERN_FORMS,
  PATTERN_FORM_IDS,
  patternAs,
  type PatternForm,
  type PatternLook,
} from '../../core/print/forms.ts';
import {
  OTHER_LANGUAGES,
  OTHER_LANGUAGE_IDS,
  type OtherLanguageId,
} from '../../core/terms/otherLanguages.ts';
import { useHemStore, usePlan } from '../hem/context.ts';
import { useNotices } from '../look/notices.tsx';
import { saveBlob } from '../storage/exports.ts';
import { copyLink } from '../look/copyLink.tsx';
import { DownloadSimpleIcon, LinkSimpleIcon, PrinterIcon } from '../look/icons.ts';
import { linkOf } from '../storage/link.ts';
import type { Hem } from '../../core/document/hem.ts';
import { Guard } from '../hem/Guard.tsx';
import { MARKS_WORDS } from '../../drawing/chartMarks.ts';
import { drawingsOf } from '../../drawing/patternDrawings.ts';
import { PlanDrawing } from '../drawing/PlanDrawing.tsx';
import { useNarrow } from '../look/narrow.ts';
import { usePatternLook } from './patternLook.ts';
import { ReadAloud } from './Reading.tsx';
import { SectionWords } from './SectionWords.tsx';
import { WAYS_TO_SAVE } from './waysToSave.ts';
import styles from './pattern.module.css';

/** The written border for this piece, and every way in which it leaves the application. */
export function PatternPage() {
  const plan = usePlan();
  const store = useHemStore();
  const { preferences, notes, madeFor, madeOn } = plan.hem;
  const narrow = useNarrow();
  const [look, setLook] = usePatternLook(narrow ? 'steps' : 'published');
  const { form, names, ticks, large } = look;
  const pattern = useMemo(
    () => patternAs(plan, { form, names, ticks, large }),
    [plan, form, names, ticks, large],
  );
  const [terms, ...sections] = pattern.sections;
  const [asSheet, setAsSheet] = useState(false);
  const charts = (
    <section className={styles.charts}>
      <h2>Charts</h2>
      <Guard what="The charts" resetKeys={[plan]}>
        <Charts />
      </Guard>
    </section>
  );
  return (
    <div className={styles.page}>
      <Tools look={look} onLook={setLook} />
      {narrow && (
        <p className={styles.readingChoice}>
          <Button onClick={() => setAsSheet(!asSheet)}>
            {asSheet ? 'Read part by part' : 'Show the whole sheet'}
          </Button>
        </p>
      )}
      {narrow && !asSheet && (
        <ReadAloud hem={plan.hem.id} sections={pattern.sections}>
          {charts}
        </ReadAloud>
      )}
      <article
        hidden={narrow && !asSheet}
        className={`${styles.sheet} ${styles[preferences.paper]} ${large ? styles.large : ''}`}
      >
        <h1>{pattern.title}</h1>
        {pattern.made !== null && <p>{pattern.made}</p>}
        {terms && <SectionWords section={terms} />}
        <Guard what="The plan of the piece" resetKeys={[plan]}>
          <PlanPicture />
        </Guard>
        {sections.map((section) => (
          <SectionWords key={section.heading} section={section} />
        ))}
        {form !== 'card' && charts}
        <PaperCode hem={plan.hem} />
      </article>
      <div className={styles.made}>
        <label>
          Made for, printed under its name
          <Input
            value={madeFor}
            maxLength={200}
            onChange={(e) => store.do(writeMade({ madeFor: e.target.value }))}
            onBlur={() => store.endJoin()}
          />
        </label>
        <label>
          Date
          <Input
            value={madeOn}
            maxLength={60}
            onChange={(e) => store.do(writeMade({ madeOn: e.target.value }))}
            onBlur={() => store.endJoin()}
          />
        </label>
      </div>
      <label className={styles.notes}>
        Your own notes, printed with the pattern
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

const PlanPicture = () => (
  <div className={styles.plan}>
    <PlanDrawing plan={usePlan()} />
  </div>
);

/** A code that brings the hem back from paper, where another device could follow it. */
function PaperCode({ hem }: { readonly hem: Hem }) {
  const [code, setCode] = useState<string | null>(null);
  useEffect(() => {
    let over = false;
    // What draws codes is fetched with the pattern.
    void import('../storage/code.ts')
      .then(({ codeOf }) => codeOf(hem, window.location))
      .then((svg) => !over && setCode(svg));
    return () => {
      over = true;
    };
  }, [hem]);
  if (!code) return null;
  return (
    <figure className={styles.paperCode}>
      <Drawn svg={code} />
      <figcaption>This hem, to be opened on another device: point its camera here.</figcaption>
    </figure>
  );
}

function Charts() {
  const plan = usePlan();
  const { charts, legend } = drawingsOf(plan);
  return (
    <>
      {charts.map(({ name, svg }) => (
        <figure key={name}>
          <Drawn svg={svg} />
          <figcaption>{name}</figcaption>
        </figure>
      ))}
      <div className="quiet small">{MARKS_WORDS}</div>
      <ul className={styles.legend}>
        {legend.map(({ svg, words }) => (
          <li key={words}>
            <Drawn svg={svg} /> {words}
          </li>
        ))}
      </ul>
    </>
  );
}

/** A drawing that the application made itself as SVG text. */
const Drawn = ({ svg, className }: { readonly svg: string; readonly className?: string }) => (
  <div className={className} dangerouslySetInnerHTML={{ __html: svg }} />
);

interface ToolsProps {
  readonly look: PatternLook;
  readonly onLook: (part: Partial<PatternLook>) => void;
}

function Tools({ look, onLook }: ToolsProps) {
  const plan = usePlan();
  const store = useHemStore();
  const notices = useNotices();
  /** How far what is saved has been made, 0 to 1; null where nothing is. */
  const [making, setMaking] = useState<number | null>(null);
  const { paper } = plan.hem.preferences;

  const save = async (key: string): Promise<void> => {
    const way = WAYS_TO_SAVE.find((w) => w.key === key);
    for (const { name, content } of (await way?.files(plan, look, setMaking)) ?? []) saveBlob(name, content);
  };
  const trySave = async (key: string): Promise<void> => {
    setMaking(0);
    try {
      await save(key);
    } catch (error) {
      notices.error({
        title: 'It could not be saved',
        description: `${(error as Error).message}. Your hem is as it was; try another kind of file, or print.`,
      });
    } finally {
      setMaking(null);
    }
  };
  const share = async (): Promise<void> => {
    const link = linkOf(plan.hem, window.location.origin);
    if (!link) {
      notices.info({
        title: 'This hem is too large for a link',
        description: 'Save the hem file and send that instead.',
      });
      return;
    }
    await copyLink(notices, link, 'It holds the whole hem; whoever opens it gets a copy.');
  };
  return (
    <div className={styles.tools}>
      <Segmented<PatternForm>
        aria-label="Form of the pattern"
        value={look.form}
        options={PATTERN_FORM_IDS.map((id) => ({ value: id, label: PATTERN_FORMS[id].label }))}
        onChange={(form) => onLook({ form })}
      />
      <ListChoice<OtherLanguageId | 'none'>
        label="Stitch names in another language"
        value={look.names ?? 'none'}
        popupMatchSelectWidth={false}
        options={[
          { value: 'none', label: 'no other names' },
          ...OTHER_LANGUAGE_IDS.map((id) => ({
            value: id,
            label: `with ${OTHER_LANGUAGES[id].label} names`,
          })),
        ]}
        onChange={(names) => onLook({ names: names === 'none' ? null : names })}
      />
      <Segmented<'a4' | 'letter'>
        aria-label="Paper"
        value={paper}
        options={[
          { value: 'a4', label: 'A4' },
          { value: 'letter', label: 'Letter' },
        ]}
        onChange={(v) => store.do(prefer('paper', v))}
      />
      <Button icon={<LinkSimpleIcon />} onClick={() => void share()}>
        Copy a link
      </Button>
      <Button icon={<PrinterIcon />} onClick={() => window.print()}>
        Print
      </Button>
      <Dropdown
        trigger={['click']}
        menu={{
          items: WAYS_TO_SAVE.map(({ key, label }) => ({ key, label })),
          onClick: ({ key }) => void trySave(key),
        }}
      >
        <Button type="primary" icon={<DownloadSimpleIcon />} loading={making !== null}>
          Save
        </Button>
      </Dropdown>
      <span className={styles.wishes}>
        {making !== null && (
          <span className={styles.making} role="status">
            Making it …{' '}
            <progress aria-label="How much has been made" value={making > 0 ? making : undefined} />
          </span>
        )}
        <Checkbox checked={look.ticks} onChange={(e) => onLook({ ticks: e.target.checked })}>
          boxes to tick
        </Checkbox>
        <Checkbox checked={look.large} onChange={(e) => onLook({ large: e.target.checked })}>
          large print
        </Checkbox>
      </span>
    </div>
  );
}
