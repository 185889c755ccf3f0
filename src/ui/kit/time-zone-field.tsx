'use client';

import { useEffect, useId, useState } from 'react';
import { Field } from './form';

/** A time zone, found by typing a part of its name. Without one it begins with the browser's. */
export function TimeZoneField({ initial }: { initial?: string }) {
  const id = useId();
  const [here, setHere] = useState<{ zone: string; all: string[] }>({ zone: '', all: [] });
  // Only the browser knows where it is, so that the page from the server cannot name it yet.
  useEffect(() => {
    const { timeZone } = Intl.DateTimeFormat().resolvedOptions();
    setHere({ zone: timeZone, all: Intl.supportedValuesOf('timeZone') });
  }, []);
  return (
    <>
      <Field
        name="timeZone"
        label="Time zone"
        list={id}
        initial={initial ?? here.zone}
        help="All times of the studio are in it. Type a part of the name, such as the nearest large town."
      />
      <datalist id={id}>
        {here.all.map((zone) => (
          <option key={zone} value={zone} />
        ))}
      </datalist>
    </>
  );
}
