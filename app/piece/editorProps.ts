/** What the fields of a construction are given. */
export interface EditorProps<P> {
  readonly piece: P;
  readonly onChange: (label: string, piece: P) => void;
}
