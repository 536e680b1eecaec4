import { Select, type SelectProps } from 'antd';

export interface ListChoiceProps<V> extends Omit<SelectProps<V>, 'aria-label'> {
  readonly label: string;
}

/** A list to choose from, whose name says what is chosen: by itself the library’s list announces an empty field. */
export function ListChoice<V extends string | number>({ label, ...rest }: ListChoiceProps<V>) {
  const chosen = rest.options?.find(({ value }) => value === rest.value)?.label;
  return <Select<V> {...rest} aria-label={typeof chosen === 'string' ? `${label}: ${chosen}` : label} />;
}
