/** What a page looks like of which nothing is known yet: a headline, a picture and two columns, as pale shapes. */
export const BarePage = ({ isBeingDrawn }: { isBeingDrawn: boolean }) => (
  <span
    aria-hidden="true"
    className={`absolute inset-0 flex flex-col gap-[6%] p-[9%] ${isBeingDrawn ? 'animate-pulse motion-reduce:animate-none' : ''}`}
  >
    <span className="bg-slate-200 h-[12%]" />
    <span className="bg-slate-200 h-[38%]" />
    <span className="grid flex-1 grid-cols-2 gap-[6%]">
      <span className="bg-slate-200" />
      <span className="bg-slate-200" />
    </span>
  </span>
);
