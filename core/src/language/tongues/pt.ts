import type { Phrases } from './tongue.js';

/** Portuguese. General vocabulary, written down without a source. */
export const pt: Phrases = {
  contents: 'Índice',
  notes: 'Notas',
  note: 'nota',
  figure: 'Figura',
  table: 'Tabela',
  part: 'Parte',
  chapter: 'Capítulo',
  page: 'página',
  above: 'acima',
  below: 'abaixo',
  back: 'Voltar',
  backTo: 'Voltar a',
  toTop: 'Ao início',
  toContents: 'Ao índice',
  toList: 'Voltar à lista',
  archivedCopy: 'cópia arquivada de',
  email: 'e-mail',
  newWindow: 'abre numa nova janela',
  titlePage: 'Folha de rosto',
  startOfText: 'Início do texto',
  picture: 'Imagem',
  withBook: {
    title: 'Com este livro',
    otherBook: (author) =>
      `${author === '' ? 'Um livro.' : `Um livro de ${author}.`} Pergunte a quem escreveu este livro onde se encontra.`,
    apart: 'Não vem com o livro: peça-o a quem o escreveu.',
    beside: (path) => `Está ao lado deste livro, como ${path}.`,
    attached: 'Está anexado a este documento: abra-o na lista de anexos do seu programa de leitura.',
    inside: (path) => `Está dentro deste livro, como ${path}.`,
  },
  accessibility: {
    allDescribed:
      'Os títulos, o índice e as ligações podem ser seguidos por ordem, e cada imagem está descrita por palavras.',
    someNotDescribed:
      'Os títulos, o índice e as ligações podem ser seguidos por ordem. Algumas imagens não estão descritas por palavras.',
  },
  file: {
    kinds: {
      archive: 'arquivo comprimido',
      calendar: 'ficheiro de calendário',
      data: 'dados',
      eBook: 'livro eletrónico',
      file: 'ficheiro',
      film: 'filme',
      font: 'tipo de letra',
      picture: 'imagem',
      route: 'percurso',
      sound: 'som',
      table: 'tabela',
      text: 'texto',
      textFile: 'ficheiro de texto',
      webPage: 'página web',
    },
    named: (sign, kind) => `${kind} ${sign}`,
    byte: 'byte',
    bytes: 'bytes',
    kilobytes: 'kB',
    megabytes: 'MB',
  },
};
