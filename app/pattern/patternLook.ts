import { useEffect, useState } from 'react';
import { PATTERN_FORM_IDS, USUAL_LOOK, type PatternForm, type PatternLook } from '../../core/print/forms.ts';
import { OTHER_LANGUAGE_IDS, type OtherLanguageId } from '../../core/terms/otherLanguages.ts';
import { readSetting, writeSetting } from '../storage/settings.ts';

const FORM = 'form of the pattern';
const NAMES = 'names beside the pattern';
const TICKS = 'ticks in the pattern';
const LARGE = 'large print';
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
    void Promise.all([FORM, NAMES, TICKS, LARGE].map(readSetting)).then(([form, names, ticks, large]) => {
      if (over) return;
      const kept = {
        ...(isForm(form) && { form }),
        ...(isLanguage(names) && { names }),
        ...(ticks === true && { ticks }),
        ...(large === true && { large }),
      };
      if (Object.keys(kept).length > 0) setChosen((now) => ({ ...kept, ...now }));
    });
    return () => {
      over = true;
    };
  }, []);
  return [
    { ...USUAL_LOOK, form: usual, ...chosen },
    (part) => {
      setChosen((now) => ({ ...now, ...part }));
      if (part.form !== undefined) void writeSetting(FORM, part.form);
      if (part.names !== undefined) void writeSetting(NAMES, part.names);
      if (part.ticks !== undefined) void writeSetting(TICKS, part.ticks);
      if (part.large !== undefined) void writeSetting(LARGE, part.large);
    },
  ];
}
