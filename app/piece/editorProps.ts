/** Properties of the fields of a construction. */
export interface EditorProps<P> {
  readonly piece: P;
  readonly onChange: (label: string, piece: P) => void;
}
