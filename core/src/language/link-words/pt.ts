import type { LinkWords } from './link-words.js';

export const pt: LinkWords = {
  vague:
    'aqui cá ali clique clicar carregue pressione prima mais link links ligação ligações hiperligação página páginas site sítio endereço detalhes detalhe ler leia ver veja visite visitar abrir abra baixar baixe descarregar descarregue transferir artigo documento ficheiro arquivo pdf seguinte próximo próxima anterior voltar continuar continue saiba saber isto isso este aceder acesse acessar consulte',
  filling:
    'o a os as um uma uns umas de do da dos das em no na nos nas e para por com este esta estes estas esse essa nosso nossa seu sua favor agora tudo todo todos toda todas sobre web internet ao à aos se que pode lendo informação informações info',
  phrases: ['por aqui', 'e assim por diante', 'etc', 'texto', 'o texto', 'fonte', 'a fonte', 'info'],
  picture:
    'imagem imagens foto fotografia desenho gráfico ícone logo logotipo banner botão ilustração figura captura miniatura',
  pictureOf: [
    'imagem de',
    'imagem do',
    'imagem da',
    'uma imagem',
    'foto de',
    'foto do',
    'foto da',
    'uma foto',
    'fotografia de',
    'fotografia do',
    'fotografia da',
    'desenho de',
    'desenho do',
    'um desenho',
    'ilustração de',
    'captura de',
    'a imagem mostra',
  ],
  mail: 'correio e-mail email mail escreva escrever escreve mensagem',
  newWindow: ['nova janela', 'novo separador', 'nova aba', 'nova guia', 'outra janela'],
  sources: [
    'fontes',
    'referências',
    'referências bibliográficas',
    'bibliografia',
    'obras citadas',
    'literatura',
    'leituras recomendadas',
    'para saber mais',
    'créditos das imagens',
  ],
  page: ['página #', 'páginas #', 'pág. #', 'págs. #', 'p. #', 'pp. #'],
};
