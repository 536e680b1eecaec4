import { writtenOf } from '../../core/plan/types.ts';
import { Fragment, useMemo, useState, type ReactNode } from 'react';
import { Link, useLocation, useSearchParams } from 'react-router';
import { held } from '../../core/held.ts';
import { useNarrow } from '../look/narrow.ts';
import type { Preferences } from '../../core/document/hem.ts';
import { stitchOf, type Stitch } from '../../core/ring/stitch.ts';
import { factsOf, firstChoice } from '../../core/rounds/facts.ts';
import type { Family } from '../../core/rounds/family.ts';
import { FAMILIES } from '../../core/rounds/registry.ts';
import {
  STITCHES,
  abbreviation,
  stitchName,
  type Language,
  type StitchKind,
} from '../../core/terms/stitches.ts';
import { PLACE_NAMES as PLACES_OF } from '../../core/terms/places.ts';
import { nameIn, OTHER_LANGUAGES, OTHER_LANGUAGE_IDS } from '../../core/terms/otherLanguages.ts';
import { capital, inTerms } from '../../core/terms/words.ts';
import { growthWords, needsWords } from '../../core/rounds/familyWords.ts';
import { stitchWords } from '../../core/print/stitchWords.ts';
import { printRound } from '../../core/notation/print.ts';
import { recipeOf } from '../../core/notation/parse.ts';
import { PlanSwatch } from '../drawing/Swatch.tsx';
import { ThemeButton } from '../look/ThemeButton.tsx';
import { HandChoice, LanguageChoice } from '../look/PreferenceChoice.tsx';
import { KeysButton } from '../look/KeysButton.tsx';
import { MakingStrip } from './MakingStrip.tsx';
import { PLACE_TOPICS, lookAt, type PlaceTopic } from './places.ts';
import { landmarkOf, roundOf, rowsSample, sample, sampleOf } from './samples.ts';
import styles from './stitches.module.css';
import { Themed } from '../look/Themed.tsx';

const KINDS: readonly StitchKind[] = ['ch', 'slst', 'sc', 'esc', 'hdc', 'hhdc', 'dc', 'tr', 'dtr'];
const DECREASES: readonly Stitch[] = (['sc', 'hdc', 'dc'] as const).map((kind) =>
  stitchOf({ kind, form: 'together', legs: 2 }),
);
const OTHERS: readonly Stitch[] = [
  stitchOf({ kind: 'dc', post: 'front' }),
  stitchOf({ kind: 'dc', post: 'back' }),
  stitchOf({ kind: 'hdc', form: 'puff', legs: 3 }),
  stitchOf({ kind: 'dc', form: 'bobble', legs: 5 }),
  stitchOf({ kind: 'dc', form: 'popcorn', legs: 5 }),
  stitchOf({ kind: 'sc', form: 'reverse' }),
  stitchOf({ kind: 'sc', form: 'twisted' }),
  stitchOf({ kind: 'ch', form: 'picot', chains: 3 }),
  stitchOf({ kind: 'ch', form: 'dot', chains: 3, legs: 5 }),
  stitchOf({ kind: 'ch', form: 'tassel' }),
];

const SECTIONS = [
  ['places', 'Where the hook goes'],
  ['loops', 'Which loop'],
  ['hidden', 'The hidden first stitch'],
  ['stitches', 'Each stitch'],
  ['decreases', 'Two together'],
  ['others', 'Textured stitches, posts, picots'],
  ['families', 'Every round'],
] as const;

/** The reference: where the hook goes, how every stitch is made, and every family of rounds. */
export function StitchesPage() {
  const [search, setSearch] = useSearchParams();
  const language: Language = search.get('terms') === 'uk' ? 'uk' : 'us';
  const hand = search.get('hand') === 'left' ? 'left' : 'right';
  const back = search.get('hem');
  const preferences = useMemo<Preferences>(
    () => ({ language, hand, length: 'cm', paper: 'a4' }),
    [language, hand],
  );
  const set = (key: string, value: string): void =>
    setSearch((was) => new URLSearchParams([...[...was].filter(([k]) => k !== key), [key, value]]), {
      replace: true,
    });
  return (
    <Themed>
      <div className={styles.stitches}>
        <header>
          <Link to={back ? `/hem/${back}` : '/'}>{back ? 'Back to the hem' : 'Shelf'}</Link>
          <h1>Stitches</h1>
          <div className={styles.tools}>
            <LanguageChoice value={language} onChange={(v) => set('terms', v)} />
            <HandChoice value={hand} onChange={(v) => set('hand', v)} />
            <KeysButton />
            <ThemeButton />
          </div>
        </header>
        <nav className={styles.nav} aria-label="Parts of the reference">
          {SECTIONS.map(([id, name]) => (
            <a key={id} href={`#${id}`}>
              {name}
            </a>
          ))}
        </nav>
        <main>
          <Places preferences={preferences} />
          <Loops preferences={preferences} />
          <Hidden preferences={preferences} />
          <Part id="stitches">
            {KINDS.map((kind) => (
              <HowTo
                key={kind}
                stitch={stitchOf({ kind, chains: kind === 'ch' ? 1 : 0 })}
                preferences={preferences}
              />
            ))}
          </Part>
          <Part id="decreases">
            <p className="quiet">
              One stitch fewer, with a top like any other: a decrease that hardly shows.
            </p>
            {DECREASES.map((stitch) => (
              <HowTo key={stitch.kind} stitch={stitch} preferences={preferences} />
            ))}
          </Part>
          <Part id="others">
            {OTHERS.map((stitch) => (
              <HowTo key={`${stitch.form} ${stitch.post}`} stitch={stitch} preferences={preferences} />
            ))}
          </Part>
          <Part id="families">
            <ul className={styles.referenceFamilies}>
              {FAMILIES.map((family) => (
                <FamilyEntry key={family.id} family={family} preferences={preferences} />
              ))}
            </ul>
          </Part>
        </main>
      </div>
    </Themed>
  );
}

/** A part of the reference; on a phone it is folded until it is asked for. */
function Part({ id, children }: { readonly id: (typeof SECTIONS)[number][0]; readonly children: ReactNode }) {
  const narrow = useNarrow();
  const { hash } = useLocation();
  const name = held(
    SECTIONS.find(([section]) => section === id),
    'every part has its name',
  )[1];
  if (!narrow)
    return (
      <section id={id}>
        <h2>{name}</h2>
        {children}
      </section>
    );
  const asked = hash === `#${id}`;
  return (
    <Folded key={String(asked)} id={id} name={name} asked={asked}>
      {children}
    </Folded>
  );
}

interface FoldedProps {
  readonly id: string;
  readonly name: string;
  /** The address names it. */
  readonly asked: boolean;
  readonly children: ReactNode;
}

function Folded({ id, name, asked, children }: FoldedProps) {
  const [open, setOpen] = useState(asked);
  return (
    <details id={id} className={styles.folded} open={open} onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary>
        <h2>{name}</h2>
      </summary>
      {open && children}
    </details>
  );
}

/** How tall a stitch is, to somebody who looks at it. */
const heightWords = (height: number): string =>
  height < 0.5
    ? 'Very low'
    : Math.abs(height - 1) < 0.2
      ? 'About as tall as it is wide'
      : `About ${height} times as tall as it is wide`;

const EDGES = { straight: 'Straight edge', lobed: 'Scalloped edge', fringed: 'Fringed edge' } as const;

const yarnOfBase = (times: number): string =>
  Math.abs(times - 1) < 0.15
    ? 'About the yarn of the base round'
    : `About ${times.toFixed(1)} times the yarn of the base round`;

interface PartProps {
  readonly preferences: Preferences;
}

function Places({ preferences }: PartProps) {
  const { language } = preferences;
  return (
    <Part id="places">
      <p className="quiet">{inTerms('The dots mark what the round in full color goes into.', language)}</p>
      <ul className={styles.places}>
        {PLACE_TOPICS.map((topic, i) => (
          <Place key={i} topic={topic} preferences={preferences} />
        ))}
      </ul>
    </Part>
  );
}

function Place({ topic, preferences }: PartProps & { readonly topic: PlaceTopic }) {
  const made = useMemo(() => topic.sample(preferences), [topic, preferences]);
  const { language } = preferences;
  return (
    <li>
      <PlanSwatch
        plan={made}
        at={lookAt(topic, made)}
        across={11}
        width={250}
        height={150}
        withPiece
        round={topic.round}
      />
      <h3>{topic.name(language)}</h3>
      <p>{topic.words(language)}</p>
    </li>
  );
}

const LOOP_WORDS = {
  both: 'The usual way: under the whole V at the top of the stitch.',
  back: 'The front loops stay free and show as a line on the front. The round folds there.',
  front: 'The back loops stay free behind. Another round can go into them.',
  third: 'The bar below the back loop. The whole V is pushed to the front and shows as a ridge.',
} as const;

function Loops({ preferences }: PartProps) {
  const { language } = preferences;
  const made = useMemo(
    () =>
      (['both', 'back', 'front', 'third'] as const).map((loop) => ({
        loop,
        plan: sample(preferences, rowsSample('dc'), {
          base: { stitch: 'hdc' },
          rounds: [
            roundOf('plain', { stitch: 'hdc', loop }),
            roundOf('plain', { id: 'more', stitch: 'hdc', loop }),
          ],
        }),
      })),
    [preferences],
  );
  return (
    <Part id="loops">
      <ul className={styles.places}>
        {made.map(({ loop, plan }) => (
          <li key={loop}>
            <PlanSwatch
              plan={plan}
              at={landmarkOf(plan, 1, 'side', 0)}
              across={9}
              width={250}
              height={130}
              withPiece
            />
            <h3>{stitchWords(stitchOf({ kind: 'hdc', loop }), language)}</h3>
            <p>{LOOP_WORDS[loop]}</p>
          </li>
        ))}
      </ul>
    </Part>
  );
}

function Hidden({ preferences }: PartProps) {
  const made = useMemo(
    () =>
      sample(preferences, rowsSample('dc'), {
        base: { corner: 'threes' },
        rounds: [roundOf('plain', { stitch: 'dc', corner: 'threes' })],
      }),
    [preferences],
  );
  const corner = landmarkOf(made, 1, 'corner', 0);
  const at = { x: corner.x - 2.5 * made.stitchWidthMm, y: corner.y + 2 * made.stitchWidthMm };
  return (
    <Part id="hidden">
      <div className={styles.hiddenFirst}>
        <PlanSwatch plan={made} at={at} across={12} width={330} height={220} withPiece round={1} />
        <p>
          The corner leans over the first stitch of the side and hides it. Push the corner back: the first dot
          along the side, close beside it, is a stitch like any other. Work into it. A count that is one too
          few usually comes from here.
        </p>
      </div>
    </Part>
  );
}

function HowTo({ stitch, preferences }: PartProps & { readonly stitch: Stitch }) {
  const { language } = preferences;
  const other: Language = language === 'us' ? 'uk' : 'us';
  const { turningChain, height } = STITCHES[stitch.kind];
  const plain = stitch.form === 'plain' && stitch.post === 'none';
  const [fewest, most] = turningChain;
  return (
    <article className={styles.howTo}>
      <h3>
        {stitchWords(stitch, language).replace(/^1 chain$/, 'chain')}
        {plain && <span className="quiet"> {abbreviation(stitch.kind, language)}</span>}
        {plain && stitchName(stitch.kind, other) !== stitchName(stitch.kind, language) && (
          <span className="quiet small">
            {' '}
            · in {other.toUpperCase()} terms {stitchName(stitch.kind, other)},{' '}
            {abbreviation(stitch.kind, other)}
          </span>
        )}
      </h3>
      {plain && stitch.kind !== 'ch' && (
        <p className="quiet small">
          {heightWords(height)}
          {most > 0 &&
            `; a round of it starts with ${fewest === most ? most : `${fewest} to ${most}`} ${most === 1 ? 'chain' : 'chains'}`}
          .
        </p>
      )}
      {plain && <OtherNames kind={stitch.kind} />}
      <MakingStrip stitch={stitch} preferences={preferences} />
    </article>
  );
}

/** Names of a stitch in other languages, where one is usual there. */
function OtherNames({ kind }: { readonly kind: StitchKind }) {
  const names = OTHER_LANGUAGE_IDS.flatMap((id) => {
    const found = nameIn(id, kind);
    return found ? [{ id, ...found }] : [];
  });
  if (names.length === 0) return null;
  return (
    <p className="quiet small">
      {names.map(({ id, name, abbreviation: short }, k) => (
        <Fragment key={id}>
          {k > 0 && ' · '}
          {OTHER_LANGUAGES[id].label}: <span lang={OTHER_LANGUAGES[id].code}>{name}</span>
          {short !== null && `, ${short}`}
        </Fragment>
      ))}
    </p>
  );
}

function FamilyEntry({ family, preferences }: PartProps & { readonly family: Family }) {
  const made = useMemo(() => sampleOf(preferences, family), [preferences, family]);
  const facts = useMemo(() => factsOf(family), [family]);
  const last = made.rounds.length - 1;
  const at = landmarkOf(made, writtenOf(made.rounds[last]!).recipe.surface ? last - 1 : last, 'corner', 0);
  const step = 4 * made.stitchWidthMm;
  const centre = { x: at.x - step, y: at.y + step / 3 };
  const perRound = made.rounds[last]!.yarnM / made.rounds[0]!.yarnM;
  const written = Array.from({ length: family.roundsPerRepeat }, (_, k) =>
    printRound(recipeOf(family.write(firstChoice(family), k)), preferences.language),
  );
  return (
    <li>
      <PlanSwatch plan={made} at={centre} across={14} width={250} height={150} />
      <div>
        <h3>{family.name}</h3>
        <p>{family.about}</p>
        <p className="quiet small">
          {inTerms(capital(needsWords(facts)), preferences.language)}; {growthWords(facts, family.edge)}. Goes
          into {PLACES_OF[facts.sitsOn].long[1]}. {EDGES[family.edge]}.{' '}
          <span className="estimate">{yarnOfBase(perRound)}.</span>
        </p>
        {written.map((text, k) => (
          <pre key={k}>
            {written.length > 1 && `round ${k + 1}\n`}
            {text}
          </pre>
        ))}
        {family.caution && <p className="caution small">{family.caution}</p>}
      </div>
    </li>
  );
}
