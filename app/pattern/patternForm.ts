import { useEffect, useState } from 'react';
import { PATTERN_FORM_IDS, type PatternForm } from '../../core/print/forms.ts';
import { readSetting, writeSetting } from '../storage/settings.ts';

const KEY = 'form of the pattern';
const isForm = (value: unknown): value is PatternForm => PATTERN_FORM_IDS.includes(value as PatternForm);

/** The form of patterns that was chosen in this browser; where none was, the usual one. */
export function usePatternForm(usual: PatternForm): readonly [PatternForm, (form: PatternForm) => void] {
  const [chosen, setChosen] = useState<PatternForm | null>(null);
  useEffect(() => {
    let over = false;
    void readSetting(KEY).then((kept) => {
      if (!over && isForm(kept)) setChosen((now) => now ?? kept);
    });
    return () => {
      over = true;
    };
  }, []);
  return [
    chosen ?? usual,
    (form) => {
      setChosen(form);
      void writeSetting(KEY, form);
    },
  ];
}
