import { useEffect, useState } from 'react';
import { PATTERN_FORM_IDS, type PatternForm, type PatternLook } from '../../core/print/forms.ts';
import { OTHER_LANGUAGE_IDS, type OtherLanguageId } from '../../core/terms/otherLanguages.ts';
import { readSetting, writeSetting } from '../storage/settings.ts';

const FORM = 'form of the pattern';
const NAMES = 'names beside the pattern';
const isForm = (value: unknown): value is PatternForm => PATTERN_FORM_IDS.includes(value as PatternForm);
const isLanguage = (value: unknown): value is OtherLanguageId =>
  OTHER_LANGUAGE_IDS.includes(value as OtherLanguageId);

/** The look of patterns that was chosen in this browser; where none was, the usual form. */
export function usePatternLook(
  usual: PatternForm,
): readonly [PatternLook, (part: Partial<PatternLook>) => void] {
  const [chosen, setChosen] = useState<Partial<PatternLook>>({});
  useEffect(() => {
    let over = false;
    void Promise.all([readSetting(FORM), readSetting(NAMES)]).then(([form, names]) => {
      if (over || (!isForm(form) && !isLanguage(names))) return;
      const kept = { ...(isForm(form) && { form }), ...(isLanguage(names) && { names }) };
      setChosen((now) => ({ ...kept, ...now }));
    });
    return () => {
      over = true;
    };
  }, []);
  return [
    { form: chosen.form ?? usual, names: chosen.names ?? null },
    (part) => {
      setChosen((now) => ({ ...now, ...part }));
      if (part.form !== undefined) void writeSetting(FORM, part.form);
      if (part.names !== undefined) void writeSetting(NAMES, part.names);
    },
  ];
}
