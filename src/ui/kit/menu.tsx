'use client';

import { Content, Item, Label, Root, Trigger } from '@radix-ui/react-dropdown-menu';
import { createContext, type ReactNode, useContext, useRef } from 'react';

export interface MenuProps {
  /** The button that opens the menu. */
  trigger: ReactNode;
  children: ReactNode;
}

/** Takes what is to be done once the menu is closed and the focus is back on its button. */
const Chosen = createContext<(act: () => void) => void>(() => {});

/** A menu under a button: opened by Enter or an arrow key, walked by arrows and letters, closed by Escape. */
export function Menu({ trigger, children }: MenuProps) {
  const button = useRef<HTMLButtonElement>(null);
  const chosen = useRef<(() => void) | null>(null);
  const choose = (act: () => void) => {
    chosen.current = act;
  };
  return (
    <Root modal={false}>
      <Trigger asChild ref={button}>
        {trigger}
      </Trigger>
      <Content
        align="end"
        sideOffset={4}
        collisionPadding={8}
        onCloseAutoFocus={(event) => {
          event.preventDefault();
          button.current?.focus();
          chosen.current?.();
          chosen.current = null;
        }}
        className="bg-base-100 border-base-300 rounded-box z-40 w-64 border p-2 shadow-lg"
      >
        <Chosen value={choose}>{children}</Chosen>
      </Content>
    </Root>
  );
}

/** Words in a menu that do nothing. */
export function MenuWords({ children }: { children: ReactNode }) {
  return <Label className="quiet px-3 py-2 text-sm">{children}</Label>;
}

const ENTRY =
  'data-highlighted:bg-base-200 flex h-9 w-full cursor-pointer items-center gap-2 rounded-lg px-3 text-left text-sm';

/** An entry that does something. */
export function MenuEntry({ act, children }: { act: () => void; children: ReactNode }) {
  const choose = useContext(Chosen);
  return (
    <Item className={ENTRY} onSelect={() => choose(act)}>
      {children}
    </Item>
  );
}

/** An entry that leads somewhere; takes the link as its child. */
export function MenuLink({ children }: { children: ReactNode }) {
  return (
    <Item className={ENTRY} asChild>
      {children}
    </Item>
  );
}
