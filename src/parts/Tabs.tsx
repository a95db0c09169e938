'use client';

import type { ReactNode } from 'react';
import { Tab, TabList, TabPanel, Tabs as Group } from 'react-aria-components/Tabs';

interface TabsProps<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly of: readonly { readonly value: T; readonly name: string }[];
  readonly onChange: (value: T) => void;
  /** What stands on the right of the tabs. */
  readonly beside?: ReactNode;
  readonly className?: string;
  /** What the chosen tab shows. */
  readonly children: ReactNode;
}

/** Lists that lie one over another, the chosen one in sight. */
export function Tabs<T extends string>({ label, value, of, onChange, beside, className = '', children }: TabsProps<T>) {
  return (
    <Group selectedKey={value} onSelectionChange={(key) => onChange(key as T)} className="flex min-h-0 flex-1 flex-col">
      <div className={`flex items-center gap-2.5 ${className}`}>
        <TabList aria-label={label} className="flex gap-2.5 whitespace-nowrap">
          {of.map((each) => (
            <Tab
              key={each.value}
              id={each.value}
              className={({ isSelected, isFocusVisible }) =>
                `narrow cursor-default pb-0.5 outline-offset-2 ${isSelected ? 'border-primary border-b-2 font-semibold' : 'opacity-75 hover:opacity-100'} ${isFocusVisible ? 'focus-seen' : ''}`
              }
            >
              {each.name}
            </Tab>
          ))}
        </TabList>
        {beside}
      </div>
      <TabPanel id={value} className="flex min-h-0 flex-1 flex-col outline-none">
        {children}
      </TabPanel>
    </Group>
  );
}
