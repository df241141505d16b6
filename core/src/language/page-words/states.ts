/**
 * What sites write on pages that are not what a link is for, in phrases that stand in a title, a heading or a short text.
 * Common practice, written down without a source. English and a few languages where these are met most.
 */
export const PAGE_STATES = {
  /** A page that tells of a fault of its site. */
  fault: [
    'internal server error', 'service unavailable', 'bad gateway', 'gateway timeout', 'application error', 'fatal error',
    'database error', 'error establishing a database connection', 'an error occurred', 'an error has occurred',
    'something went wrong', 'unexpected error', 'bad request', 'es ist ein fehler aufgetreten', 'ein fehler ist aufgetreten',
    'interner serverfehler', 'une erreur est survenue', "une erreur s'est produite", 'erreur interne du serveur', 'se ha producido un error',
    'error interno del servidor', 'si è verificato un errore', 'errore interno del server', 'ocorreu um erro', 'er is een fout opgetreden',
    'er is iets misgegaan', 'wystąpił błąd', 'ett fel har uppstått', 'ett fel uppstod', 'der opstod en fejl', 'det oppstod en feil',
    'tapahtui virhe', 'došlo k chybě', 'произошла ошибка', 'сталася помилка', 'エラーが発生しました', '发生错误', '系统错误',
  ],
  /** A name that nobody uses: for sale, or parked where it was bought. */
  parked: [
    'domain is for sale', 'domain for sale', 'domain may be for sale', 'domain name is for sale', 'buy this domain',
    'domain is parked', 'domain parked', 'parked domain', 'parked free', 'this domain is registered', 'domain has expired',
    'domain name has expired', 'this domain has been registered', 'domain is available for purchase', 'make an offer on this domain',
    'inquire about this domain', 'the domain has recently been listed', 'interested in this domain', 'this webpage is parked',
    'domain steht zum verkauf', 'domain zu verkaufen', 'domain kaufen', 'domain ist geparkt', 'geparkte domain',
    'domaine est à vendre', 'nom de domaine à vendre', 'acheter ce domaine', 'domaine expiré', 'domaine a expiré', 'dominio en venta', 'dominio está en venta',
    'comprar este dominio', 'dominio in vendita', 'dominio è in vendita', 'domínio à venda', 'domínio está à venda', 'domein te koop',
    'domein is te koop', 'domeinnaam is te koop', 'domena na sprzedaż', 'domena jest na sprzedaż', 'domänen är till salu', 'domænet er til salg', 'domenet er til salgs',
    'verkkotunnus on myynnissä', 'doména je na prodej', 'doména na prodej', 'домен продается', 'домен продаётся', 'домен припаркован', 'домен продається',
    'ドメインは売り物', 'このドメインは販売中', '域名出售', '此域名出售', '该域名正在出售',
  ],
  suspended: [
    'account suspended', 'account has been suspended', 'account is suspended', 'site suspended', 'website suspended', 'site has been suspended',
    'website has been suspended', 'this site is currently suspended', 'hosting account suspended', 'website has been disabled', 'site has been disabled',
    'konto wurde gesperrt', 'website wurde gesperrt', 'diese internetpräsenz ist gesperrt', 'konto gesperrt', 'compte suspendu', 'site suspendu', 'ce compte a été suspendu',
    'cuenta suspendida', 'sitio suspendido', 'account sospeso', 'sito sospeso', 'conta suspensa', 'site suspenso', 'account opgeschort',
    'konto zawieszone', 'strona zawieszona', 'kontot är avstängt', 'konto er suspenderet', 'tili on suljettu', 'účet byl pozastaven', 'účet pozastaven', 'аккаунт заблокирован', 'аккаунт приостановлен', 'сайт заблокирован', 'обліковий запис призупинено',
    'アカウントは停止', 'アカウントが停止', '账户已被暂停', '帐户已暂停', '网站已暂停',
  ],
  /** What a server shows where nobody has put a site yet. */
  unfurnished: [
    'welcome to nginx', 'apache2 default page', 'apache2 ubuntu default page', 'apache2 debian default page', 'it works!', 'iis windows server', 'iis windows',
    'test page for the apache http server', 'test page for the nginx http server', 'http server test page', 'default web site page', 'default website page',
    'this is the default web page', 'default page of this server', 'welcome to caddy', 'welcome to openresty', 'default server vhost', 'web server is running',
    'site is under construction by its host', 'future home of something quite cool', 'your website is ready', 'if you see this page, the web server is successfully installed',
    'the web site content has not been uploaded', 'no content has been added yet', 'placeholder page', 'congratulations! your site is live', 'hier entsteht eine neue internetpräsenz',
    'page par défaut du serveur', 'página predeterminada del servidor', 'pagina predefinita del server',
  ],
  /** A door that lets people through and not programs. */
  door: [
    'just a moment', 'checking your browser', 'verifying you are human', 'verify you are human', 'verify that you are human', 'verify you are not a robot', 'are you a robot',
    'are you human', 'prove you are human', "confirm you're not a robot", "confirm that you're not a robot", 'i am not a robot', "i'm not a robot", 'attention required', 'enable javascript and cookies to continue',
    'please enable cookies', 'unusual traffic', 'automated access', 'automated requests', 'pardon our interruption', 'security check', 'checking if the site connection is secure', 'ddos protection', 'bot verification',
    'bot detection', 'human verification', 'complete the captcha', 'solve the captcha', 'solve this puzzle', 'request blocked', 'you have been blocked', 'access to this page has been denied', 'your access has been blocked', 'needs to review the security of your connection',
    'sind sie ein mensch', 'bestätigen sie, dass sie ein mensch sind', 'kein roboter', 'sicherheitsüberprüfung', 'ihr browser wird überprüft', 'ungewöhnlichen datenverkehr', 'un instant', 'vérification de sécurité', 'vous êtes humain',
    "n'êtes pas un robot", 'comprobación de seguridad', 'no eres un robot', 'no soy un robot', 'verifique que es humano', 'verifica que eres humano', 'controllo di sicurezza', 'non sono un robot', 'verifica di essere umano', 'não sou um robô', 'verificação de segurança', 'je bent geen robot', 'ik ben geen robot',
    'beveiligingscontrole', 'nie jestem robotem', 'sprawdzanie przeglądarki', 'jag är inte en robot', 'jeg er ikke en robot', 'en ole robotti', 'nejsem robot', 'я не робот', 'проверка браузера', 'проверка безопасности', 'подтвердите, что вы не робот', 'я не робот', 'перевірка браузера',
    'ロボットではありません', 'セキュリティチェック', '人机验证', '安全验证', '请完成验证',
  ],
  signIn: [
    'please sign in', 'please log in', 'sign in to continue', 'log in to continue', 'sign in to view', 'log in to view', 'you must be logged in', 'you need to be logged in', 'you must log in', 'you need to sign in', 'you must sign in', 'login required', 'sign in required',
    'members only', 'for members only', 'restricted to members', 'bitte melden sie sich an', 'bitte anmelden', 'anmeldung erforderlich', 'bitte loggen sie sich ein', 'nur für mitglieder', 'veuillez vous connecter', 'connectez-vous pour', 'connexion requise', 'réservé aux membres', 'inicie sesión para', 'inicia sesión para', 'debe iniciar sesión', 'solo para miembros',
    'accedi per continuare', 'effettua il login', 'accesso riservato', 'riservato ai soci', 'faça login para', 'inicie sessão para', 'apenas para membros', 'log in om verder te gaan', 'u moet ingelogd zijn', 'je moet ingelogd zijn', 'alleen voor leden', 'zaloguj się, aby', 'musisz się zalogować', 'tylko dla członków', 'logga in för att', 'endast för medlemmar', 'log ind for at', 'kun for medlemmer', 'logg inn for å', 'kirjaudu sisään', 'vain jäsenille', 'přihlaste se', 'pouze pro členy', 'войдите, чтобы', 'необходимо войти', 'только для участников', 'увійдіть, щоб', 'ログインしてください', 'ログインが必要', '会員限定', '请登录', '请先登录', '需要登录',
  ],
  consent: [
    'before you continue', 'we value your privacy', 'your privacy choices', 'consent to cookies', 'cookie consent', 'accept cookies to continue', 'accept all cookies to continue', 'bevor sie fortfahren', 'cookies akzeptieren', 'datenschutzeinstellungen', 'mit werbung weiterlesen', 'avant de continuer', 'votre vie privée', 'antes de continuar', 'su privacidad', 'prima di continuare', 'rispettiamo la tua privacy', 'antes de prosseguir', 'voordat je verdergaat', 'zanim przejdziesz dalej', 'innan du fortsätter', 'før du fortsætter', 'før du fortsetter', 'ennen kuin jatkat', 'než budete pokračovat', 'прежде чем продолжить', 'перш ніж продовжити', '続行する前に', '在继续之前',
  ],
  paid: [
    'subscribe to continue', 'subscribe to read', 'subscribe now to read', 'subscribers only', 'for subscribers', 'this article is for subscribers', 'to continue reading, subscribe', 'become a subscriber', 'already a subscriber', 'purchase access', 'buy this article', 'to read the full article', 'you have reached your article limit', 'you have read all your free articles', 'get full access', 'nur für abonnenten', 'jetzt weiterlesen mit', 'abonnieren sie, um', 'weiterlesen mit', 'abo abschließen', 'réservé aux abonnés', 'article réservé', 'abonnez-vous pour', 'solo para suscriptores', 'suscríbete para', 'suscríbase para', 'riservato agli abbonati', 'abbonati per', 'exclusivo para assinantes', 'assine para', 'alleen voor abonnees', 'abonneer om', 'tylko dla prenumeratorów', 'tylko dla subskrybentów', 'endast för prenumeranter', 'kun for abonnenter', 'vain tilaajille', 'pouze pro předplatitele', 'только для подписчиков', 'лише для передплатників', '有料会員限定', '会員限定記事', '订阅后阅读', '仅限订阅用户',
  ],
} as const satisfies Record<string, readonly string[]>;
export type PageState = keyof typeof PAGE_STATES;
