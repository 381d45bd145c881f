// The sentences about ideas that a client gives; they come with the page's end, so each language stands here.
import type { Schemas } from '@/api/client'
import type { Language } from './language'

interface GivenTexts {
  ask: string
  title: string
  note: string
  give: string
  later: string
  thanks: string
  yours: string
  states: Record<Schemas['IdeaState'], string>
}

export const GIVEN: Record<Language, GivenTexts> = {
  en: {
    ask: 'An idea for a post?',
    title: 'In a few words',
    note: 'More of it',
    give: 'Give it to the agency',
    later: 'Not now',
    thanks: 'Thank you. Your agency has it.',
    yours: 'Ideas that you gave',
    states: {
      thought: 'It is with your agency.',
      ready: 'It is wanted.',
      aside: 'It is kept for another time.',
      pencilled: 'It has a day in the plan.',
      post: 'A post is being made of it.',
      out: 'It went out.',
    },
  },
  de: {
    ask: 'Eine Idee für einen Beitrag?',
    title: 'In wenigen Worten',
    note: 'Mehr dazu',
    give: 'Der Agentur geben',
    later: 'Jetzt nicht',
    thanks: 'Danke. Ihre Agentur hat sie.',
    yours: 'Ideen von Ihnen',
    states: {
      thought: 'Sie liegt bei Ihrer Agentur.',
      ready: 'Sie ist gewünscht.',
      aside: 'Sie ist für ein andermal aufgehoben.',
      pencilled: 'Sie hat einen Tag im Plan.',
      post: 'Es wird ein Beitrag daraus.',
      out: 'Sie ist erschienen.',
    },
  },
  fr: {
    ask: 'Une idée de publication ?',
    title: 'En quelques mots',
    note: 'Plus de détails',
    give: 'La donner à l’agence',
    later: 'Pas maintenant',
    thanks: 'Merci. Votre agence l’a reçue.',
    yours: 'Vos idées',
    states: {
      thought: 'Elle est chez votre agence.',
      ready: 'Elle est retenue.',
      aside: 'Elle est gardée pour plus tard.',
      pencilled: 'Elle a un jour dans le plan.',
      post: 'Une publication est en préparation.',
      out: 'Elle est parue.',
    },
  },
  pt: {
    ask: 'Uma ideia para uma publicação?',
    title: 'Em poucas palavras',
    note: 'Mais sobre ela',
    give: 'Dar à agência',
    later: 'Agora não',
    thanks: 'Obrigado. A sua agência já a tem.',
    yours: 'As suas ideias',
    states: {
      thought: 'Está com a sua agência.',
      ready: 'É desejada.',
      aside: 'Fica guardada para outra altura.',
      pencilled: 'Tem um dia no plano.',
      post: 'Está a ser feita uma publicação.',
      out: 'Foi publicada.',
    },
  },
  es: {
    ask: '¿Una idea para una publicación?',
    title: 'En pocas palabras',
    note: 'Más detalles',
    give: 'Darla a la agencia',
    later: 'Ahora no',
    thanks: 'Gracias. Su agencia ya la tiene.',
    yours: 'Sus ideas',
    states: {
      thought: 'La tiene su agencia.',
      ready: 'Se quiere hacer.',
      aside: 'Queda guardada para otra ocasión.',
      pencilled: 'Tiene un día en el plan.',
      post: 'Se está haciendo una publicación.',
      out: 'Ya se publicó.',
    },
  },
}
