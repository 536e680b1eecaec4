/** Properties of the choices of a construction. */
export interface EditorProps<P> {
  readonly piece: P;
  readonly onChange: (label: string, piece: P) => void;
}

/** Properties of the choices along a side; null for all sides at once. */
export interface SideProps<P> extends EditorProps<P> {
  readonly side: number | null;
}
