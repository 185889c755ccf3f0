'use client';

import { Check } from 'lucide-react';
import {
  cloneElement,
  createContext,
  type KeyboardEvent,
  type PointerEvent,
  type ReactElement,
  type ReactNode,
  useCallback,
  useContext,
  useEffect,
  useRef,
  useState,
} from 'react';
import { NOT_FETCHED, usePart } from './use-part';

type Parts = typeof import('./menu-parts');
type Button = ReactElement<React.ComponentProps<'button'>>;

export interface MenuProps {
  /** The button that opens the menu. */
  trigger: Button;
  children: ReactNode;
}

interface Inside {
  parts: Parts;
  /** Takes what is to be done once the menu is closed and the focus is back on its button. */
  choose: (act: () => void) => void;
}

const InsideMenu = createContext<Inside | null>(null);

function useInside(): Inside {
  const inside = useContext(InsideMenu);
  if (!inside) throw new Error('An entry stands in a menu.');
  return inside;
}

const OPENING_KEYS = ['Enter', ' ', 'ArrowDown'];

/**
 * A menu under a button: opened by Enter or an arrow key, walked by arrows and letters, closed by Escape. What makes
 * menus is fetched when somebody comes near the button, since most pages are left without opening one.
 */
export function Menu({ trigger, children }: MenuProps) {
  const button = useRef<HTMLButtonElement>(null);
  const wasFocused = useRef(false);
  const [pressed, setPressed] = useState<Event | null>(null);
  const load = useCallback(async () => {
    const fetched = await import('./menu-parts');
    wasFocused.current = document.activeElement === button.current;
    return fetched;
  }, []);
  const { part: parts, failed, fetchPart } = usePart(load);
  // biome-ignore lint/correctness/useExhaustiveDependencies: once, when the button that stood here before is replaced.
  useEffect(() => {
    if (!parts) return;
    if (wasFocused.current) button.current?.focus();
    // What was pressed on the button before is pressed on this one.
    if (pressed) button.current?.dispatchEvent(pressed);
  }, [parts]);
  if (parts) return <Open {...{ parts, trigger, button }}>{children}</Open>;

  const press = (event: Event) => {
    setPressed(event);
    void fetchPart();
  };
  return (
    <>
      {cloneElement(trigger, {
        ref: button,
        'aria-haspopup': 'menu',
        'aria-expanded': false,
        onPointerEnter: fetchPart,
        onFocus: fetchPart,
        onPointerDown: (event: PointerEvent) => {
          if (event.button !== 0 || event.ctrlKey) return;
          press(new window.PointerEvent('pointerdown', { bubbles: true, cancelable: true }));
        },
        onKeyDown: (event: KeyboardEvent) => {
          const { key } = event;
          if (!OPENING_KEYS.includes(key)) return;
          event.preventDefault();
          press(new window.KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }));
        },
      })}
      {/* Nobody misses what they did not ask for. */}
      {failed && pressed && (
        <span role="alert" className="text-error text-sm">
          {NOT_FETCHED}
        </span>
      )}
    </>
  );
}

interface OpenProps extends MenuProps {
  parts: Parts;
  button: React.RefObject<HTMLButtonElement | null>;
}

/** A menu whose parts are there. */
function Open({ parts, trigger, button, children }: OpenProps) {
  const { Content, Root, Trigger } = parts;
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
        className="bg-base-100 border-base-300 rounded-box z-40 max-h-(--radix-dropdown-menu-content-available-height) w-64 overflow-y-auto border p-2 shadow-lg"
      >
        <InsideMenu value={{ parts, choose }}>{children}</InsideMenu>
      </Content>
    </Root>
  );
}

/** Words in a menu that do nothing. */
export function MenuWords({ children }: { children: ReactNode }) {
  const { Label } = useInside().parts;
  return <Label className="quiet px-3 py-2 text-sm">{children}</Label>;
}

const ENTRY =
  'data-highlighted:bg-base-200 flex h-9 w-full cursor-pointer items-center gap-2 rounded-lg px-3 text-left text-sm';

/** An entry that does something. */
export function MenuEntry({ act, children }: { act: () => void; children: ReactNode }) {
  const { parts, choose } = useInside();
  const { Item } = parts;
  return (
    <Item className={ENTRY} onSelect={() => choose(act)}>
      {children}
    </Item>
  );
}

/** An entry that leads somewhere; takes the link as its child. */
export function MenuLink({ children }: { children: ReactNode }) {
  const { Item } = useInside().parts;
  return (
    <Item className={ENTRY} asChild>
      {children}
    </Item>
  );
}

export interface MenuTickProps {
  on: boolean;
  turn: (on: boolean) => void;
  children: ReactNode;
}

/** An entry that is on or off; the menu stays open while one chooses. */
export function MenuTick({ on, turn, children }: MenuTickProps) {
  const { CheckboxItem, ItemIndicator } = useInside().parts;
  return (
    <CheckboxItem
      checked={on}
      onCheckedChange={turn}
      onSelect={(event) => event.preventDefault()}
      className={ENTRY}
    >
      <span className="grid size-4 place-items-center">
        <ItemIndicator>
          <Check size={16} aria-hidden />
        </ItemIndicator>
      </span>
      {children}
    </CheckboxItem>
  );
}
