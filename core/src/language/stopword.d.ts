declare module 'stopword' {
  type List = readonly string[];
  export const ces: List,
    dan: List,
    deu: List,
    eng: List,
    fin: List,
    fra: List,
    ita: List,
    nld: List,
    nob: List;
  export const pol: List, por: List, rus: List, spa: List, swe: List, ukr: List;
}
