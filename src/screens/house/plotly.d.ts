/** The part of Plotly.js that is used: drawing a chart into an element, and taking it away. */
declare module 'plotly.js-basic-dist-min' {
  const plotly: {
    newPlot(element: HTMLElement, data: readonly object[], layout: object, config: object): Promise<unknown>;
    react(element: HTMLElement, data: readonly object[], layout: object, config: object): Promise<unknown>;
    purge(element: HTMLElement): void;
  };
  export default plotly;
}
