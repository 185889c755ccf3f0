import type { ReactNode } from 'react';

/** The frame of an ordinary page: its title, what can be done there, and its content. */
export function Page({
  title,
  titleShown = true,
  actions,
  wide = false,
  children,
}: {
  title: string;
  /** False where the content says it better; it stays for those who do not see. */
  titleShown?: boolean;
  actions?: ReactNode;
  /** As wide as the window, for what has many columns. */
  wide?: boolean;
  children: ReactNode;
}) {
  return (
    <main className={`mx-auto w-full px-4 py-6 sm:px-6 ${wide ? '' : 'max-w-6xl'}`}>
      <div
        className={
          titleShown ? 'mb-5 flex flex-wrap items-center justify-between gap-3' : 'sr-only'
        }
      >
        <h1 className="text-3xl font-bold">{title}</h1>
        {actions}
      </div>
      {children}
    </main>
  );
}
