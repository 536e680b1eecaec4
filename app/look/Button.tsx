import type { ButtonHTMLAttributes, ReactNode } from 'react';
import './button.css';

interface ButtonProps extends Omit<ButtonHTMLAttributes<HTMLButtonElement>, 'type'> {
  /** `primary`: what one most likely wants here. `text`: without a frame. */
  readonly type?: 'primary' | 'text';
  readonly size?: 'small';
  readonly icon?: ReactNode;
}

/** A button of the first page and of what is needed when a page fails; it looks like those of the component library. */
export function Button({ type, size, icon, children, className = '', ...rest }: ButtonProps) {
  const kinds = ['button', type, size, children === undefined && 'bare', className].filter(Boolean).join(' ');
  return (
    <button {...rest} type="button" className={kinds}>
      {icon}
      {children !== undefined && <span>{children}</span>}
    </button>
  );
}
