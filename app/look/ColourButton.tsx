import { ColorPicker } from 'antd';
import './colourButton.css';

export interface ColourButtonProps {
  /** Whose colour it is: “Color of Rosehip”. */
  readonly label: string;
  /** #rrggbb */
  readonly colour: string;
  readonly onColour: (colour: string) => void;
}

/** A colour, as a button that the keyboard reaches; it opens the picker. */
export function ColourButton({ label, colour, onColour }: ColourButtonProps) {
  return (
    <ColorPicker
      value={colour}
      disabledAlpha
      trigger="click"
      onChangeComplete={(c) => onColour(c.toHexString().slice(0, 7))}
    >
      <button type="button" className="colour-button" aria-label={label} title={label}>
        <span style={{ background: colour }} />
      </button>
    </ColorPicker>
  );
}
