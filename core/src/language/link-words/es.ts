import type { LinkWords } from './link-words.js';

export const es: LinkWords = {
  vague:
    'aquí acá allí ahí haga haz hacer clic click pulse pulsa pulsar pinche pincha más enlace enlaces vínculo página páginas sitio dirección detalles detalle leer lea lee ver vea visitar visite abrir descargar descarga descargue artículo documento archivo fichero pdf siguiente anterior volver saber sepa seguir leyendo continuar esto este eso entrar acceder acceda consultar',
  filling:
    'el la los las lo un una unos unas de del a al en y para por con este esta estos estas ese esa nuestro nuestra su favor ahora todo todos toda todas sobre web internet desde se que puede puedes siguiente información informaciones info',
  phrases: ['por aquí', 'etcétera', 'más cosas', 'texto', 'el texto', 'fuente', 'la fuente', 'info'],
  picture:
    'imagen imágenes foto fotografía dibujo gráfico icono ícono logo logotipo banner botón ilustración figura captura miniatura',
  pictureOf: [
    'imagen de',
    'imagen del',
    'una imagen',
    'foto de',
    'foto del',
    'una foto',
    'fotografía de',
    'fotografía del',
    'dibujo de',
    'dibujo del',
    'un dibujo',
    'ilustración de',
    'captura de',
    'la imagen muestra',
  ],
  mail: 'correo correos e-mail email mail escribir escriba escribe mensaje',
  newWindow: ['nueva ventana', 'ventana nueva', 'nueva pestaña', 'pestaña nueva', 'otra ventana'],
  sources: [
    'fuentes',
    'referencias',
    'bibliografía',
    'webgrafía',
    'obras citadas',
    'literatura',
    'para saber más',
    'lecturas recomendadas',
    'créditos de las imágenes',
  ],
  page: ['página #', 'páginas #', 'pág. #', 'págs. #', 'p. #', 'pp. #'],
};
