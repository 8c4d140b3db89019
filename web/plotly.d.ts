declare module 'plotly.js-basic-dist-min' {
  export * from 'plotly.js';
  import * as Plotly from 'plotly.js';
  const plotly: typeof Plotly;
  export default plotly;
}
