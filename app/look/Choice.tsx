import { Select, type SelectProps } from 'antd';

export interface ChoiceProps<V> extends Omit<SelectProps<V>, 'aria-label'> {
  readonly label: string;
}

/** A list to choose from, whose name says what is chosen: by itself the library’s list announces an empty field. */
export function Choice<V extends string | number>({ label, ...rest }: ChoiceProps<V>) {
  const chosen = rest.options?.find(({ value }) => value === rest.value)?.label;
  return <Select<V> {...rest} aria-label={typeof chosen === 'string' ? `${label}: ${chosen}` : label} />;
}
