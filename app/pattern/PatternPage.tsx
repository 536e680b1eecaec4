import { Button } from 'antd';
import { DownloadSimple, Printer } from '@phosphor-icons/react';
import { useMemo } from 'react';
import { patternOf, patternText } from '../../core/words/pattern.ts';
import { usePlan } from '../hem/context.ts';
import { fileName, saveFile } from '../storage/exports.ts';
import './pattern.css';

/** The written border for this piece. */
export function PatternPage() {
  const plan = usePlan();
  const pattern = useMemo(() => patternOf(plan), [plan]);
  return (
    <div className="pattern-page">
      <div className="pattern-tools">
        <Button
          icon={<DownloadSimple />}
          onClick={() => saveFile(fileName(pattern.title, '.txt'), patternText(pattern), 'text/plain')}
        >
          Save as text
        </Button>
        <Button icon={<Printer />} onClick={() => window.print()}>
          Print
        </Button>
      </div>
      <article className="pattern-sheet">
        <h1>{pattern.title}</h1>
        {pattern.sections.map((section) => (
          <section key={section.heading}>
            <h2>{section.heading}</h2>
            {section.lines.map((line, i) => (
              <p
                key={i}
                className={
                  line.startsWith('Take care') ? 'problem' : line.startsWith('Counts:') ? 'counts' : undefined
                }
              >
                {line}
              </p>
            ))}
          </section>
        ))}
      </article>
    </div>
  );
}
