/**
 * What sites write in a title or heading over a page that is not there, in the languages of the audit. Common practice, written
 * down without a source. Numbers, the word for an error and signs are left out before they are compared.
 */
export const NOT_FOUND: Readonly<Record<string, readonly string[]>> = {
  en: [
    'not found', 'page not found', 'file not found', 'page does not exist', "page doesn't exist", 'page unavailable',
    'page missing', 'missing page', 'no such page', 'nothing found', 'nothing here', 'content not found', 'document not found',
    'article not found', 'item not found', 'product not found', 'page cannot be found', "page can't be found",
    'page could not be found', "page couldn't be found", "can't find that page", "can't find the page", "couldn't find that page",
    'cannot find the page', 'page no longer exists', 'page removed', 'page deleted', "page isn't available",
    'page is not available', 'page no longer available', 'page was not found', 'page has been removed', 'resource not found',
    'object not found', 'url not found', 'page gone', 'entry not found', 'post not found', 'record not found',
  ],
  de: [
    'nicht gefunden', 'seite nicht gefunden', 'datei nicht gefunden', 'seite existiert nicht', 'seite nicht vorhanden',
    'seite nicht verfügbar', 'seite wurde nicht gefunden', 'seite konnte nicht gefunden werden', 'inhalt nicht gefunden',
    'dokument nicht gefunden', 'artikel nicht gefunden', 'seite nicht mehr verfügbar', 'seite existiert nicht mehr',
  ],
  fr: [
    'page introuvable', 'page non trouvée', 'page inexistante', 'fichier introuvable', 'contenu introuvable', 'introuvable',
    "page n'existe pas", "page n'existe plus", 'page indisponible', 'article introuvable', 'document introuvable', 'non trouvé',
    "page n'a pas été trouvée",
  ],
  es: [
    'página no encontrada', 'no encontrado', 'no encontrada', 'página no existe', 'no se ha encontrado la página',
    'no se encontró la página', 'archivo no encontrado', 'contenido no encontrado', 'artículo no encontrado', 'página no disponible',
    'no se encuentra la página',
  ],
  it: [
    'pagina non trovata', 'non trovato', 'non trovata', 'pagina inesistente', 'pagina non esiste', 'file non trovato',
    'contenuto non trovato', 'pagina non disponibile', 'articolo non trovato', 'impossibile trovare la pagina',
  ],
  pt: [
    'página não encontrada', 'não encontrado', 'não encontrada', 'página não existe', 'página inexistente',
    'arquivo não encontrado', 'ficheiro não encontrado', 'conteúdo não encontrado', 'página indisponível', 'artigo não encontrado',
  ],
  nl: [
    'pagina niet gevonden', 'niet gevonden', 'pagina bestaat niet', 'pagina bestaat niet meer', 'bestand niet gevonden',
    'pagina niet beschikbaar', 'artikel niet gevonden', 'pagina kon niet worden gevonden',
  ],
  pl: [
    'nie znaleziono', 'nie znaleziono strony', 'strona nie została znaleziona', 'strona nie istnieje', 'strony nie znaleziono',
    'nie odnaleziono strony', 'strona niedostępna', 'nie ma takiej strony',
  ],
  sv: [
    'sidan hittades inte', 'sidan kunde inte hittas', 'hittades inte', 'sidan finns inte', 'sidan saknas', 'sidan kan inte hittas',
    'sidan finns inte längre', 'sidan hittas inte',
  ],
  da: [
    'siden blev ikke fundet', 'siden findes ikke', 'ikke fundet', 'siden kunne ikke findes', 'siden kan ikke findes',
    'siden findes ikke længere', 'side ikke fundet',
  ],
  no: [
    'siden ble ikke funnet', 'finner ikke siden', 'fant ikke siden', 'siden finnes ikke', 'ikke funnet', 'side ikke funnet',
    'siden eksisterer ikke', 'siden finnes ikke lenger',
  ],
  fi: [
    'sivua ei löydy', 'sivua ei löytynyt', 'ei löytynyt', 'ei löydy', 'sivua ei ole', 'sivua ei ole olemassa', 'sivu puuttuu',
    'hakemaasi sivua ei löytynyt',
  ],
  cs: [
    'stránka nenalezena', 'stránka nebyla nalezena', 'nenalezeno', 'stránka neexistuje', 'stránku se nepodařilo najít',
    'soubor nenalezen', 'stránka nenalezená', 'tato stránka neexistuje',
  ],
  ru: [
    'страница не найдена', 'не найдено', 'не найдена', 'страница не существует', 'такой страницы нет', 'страницы не существует',
    'нет такой страницы', 'файл не найден', 'страница удалена', 'страница недоступна',
  ],
  uk: [
    'сторінку не знайдено', 'сторінка не знайдена', 'не знайдено', 'сторінка не існує', 'такої сторінки немає',
    'сторінки не існує', 'файл не знайдено', 'сторінка недоступна',
  ],
  ja: [
    'ページが見つかりません', 'ページが見つかりませんでした', 'お探しのページは見つかりません', 'お探しのページは見つかりませんでした',
    'ページは存在しません', 'ページが存在しません', '見つかりません', '見つかりませんでした', 'ページは見つかりませんでした',
  ],
  zh: [
    '页面不存在', '找不到页面', '页面未找到', '未找到页面', '您访问的页面不存在', '找不到网页', '頁面不存在', '找不到頁面', '页面找不到',
    '抱歉,页面不存在', '未找到', '無法找到頁面', '您要查找的页面不存在',
  ],
};

/** What they write to the reader in the text of such a page. */
export const NOT_FOUND_SENTENCES: readonly string[] = [
  'page you are looking for', "page you're looking for", 'page you were looking for', 'page you requested',
  'page you have requested', 'page you are trying', "we couldn't find", 'we could not find', "we can't find",
  'this page does not exist', "this page doesn't exist", 'this page no longer exists', 'this page could not be found',
  'this page is no longer available', 'this page has been removed', 'page may have been moved', 'page might have been removed',
  'requested url was not found', 'article is no longer available', 'content is no longer available',
  'die gesuchte seite', 'von ihnen gesuchte seite', 'diese seite existiert nicht', 'diese seite ist nicht mehr',
  'angeforderte seite', 'die seite, die sie suchen', 'leider konnten wir die seite nicht finden',
  'la page que vous cherchez', 'la page que vous recherchez', 'la page demandée', "cette page n'existe", "page que vous avez demandée",
  'la página que busca', 'la página que está buscando', 'la página solicitada', 'esta página no existe', 'página que buscas',
  'la pagina che cerchi', 'la pagina che stai cercando', 'la pagina richiesta', 'questa pagina non esiste',
  'a página que procura', 'a página que você procura', 'a página solicitada', 'esta página não existe', 'página que está procurando',
  'de pagina die je zoekt', 'de pagina die u zoekt', 'de opgevraagde pagina', 'deze pagina bestaat niet',
  'strona, której szukasz', 'szukana strona', 'żądana strona', 'ta strona nie istnieje',
  'sidan du söker', 'sidan du letar efter', 'den här sidan finns inte',
  'siden, du leder efter', 'siden du leder efter', 'denne side findes ikke',
  'siden du leter etter', 'siden du ser etter', 'denne siden finnes ikke',
  'etsimääsi sivua', 'hakemaasi sivua', 'tätä sivua ei ole',
  'stránka, kterou hledáte', 'hledaná stránka', 'požadovaná stránka',
  'страница, которую вы ищете', 'запрашиваемая страница', 'запрошенная страница', 'страница, которую вы запросили',
  'сторінка, яку ви шукаєте', 'запитувана сторінка', 'сторінку, яку ви шукаєте',
  'お探しのページ', 'お探しのページは', '指定されたページ', '您访问的页面', '您要查找的页面', '您要找的页面', '您所訪問的頁面',
];
