import type { Target } from './layout'

/**
 * What common exports call their columns, in English, German, French, Spanish, Portuguese, Italian and Dutch: small letters without accents, words parted by one
 * blank. The trade's own words (common practice); the catalogue's English names are known beside them.
 */
export const HEADING_WORDS: Readonly<Partial<Record<Exclude<Target, ''>, readonly string[]>>> = {
  day: ['date', 'day', 'reporting date', 'datum', 'tag', 'berichtsdatum', 'jour', 'date du rapport', 'fecha', 'dia', 'data', 'giorno', 'data del rapporto', 'dag', 'rapportdatum'],
  profile_id: ['id', 'page id', 'profile id', 'account id', 'seiten id', 'profil id', 'konto id', 'id de la page', 'id du profil', 'identifiant', 'identifiant de la page', 'id de la pagina', 'id del perfil', 'id de pagina', 'id da pagina', 'id do perfil', 'id della pagina', 'id del profilo', 'id pagina', 'pagina id', 'profiel id'],
  handle: ['handle', 'profile', 'username', 'account', 'page', 'profil', 'seite', 'konto', 'benutzername', 'compte', 'nom du compte', 'perfil', 'cuenta', 'usuario', 'pagina', 'conta', 'nome de usuario', 'profilo', 'nome utente', 'profiel', 'gebruikersnaam'],
  impressions: ['impressions', 'impressionen', 'impresiones', 'impressoes', 'impressioni', 'vertoningen', 'weergaven van berichten'],
  reach_1d: ['reach', 'daily reach', 'reichweite', 'tagliche reichweite', 'portee', 'couverture', 'portee quotidienne', 'alcance', 'alcance diario', 'copertura', 'copertura giornaliera', 'bereik', 'dagelijks bereik'],
  reach_7d: ['reach 7 days', 'weekly reach', 'reichweite 7 tage', 'wochentliche reichweite', 'portee 7 jours', 'portee hebdomadaire', 'alcance 7 dias', 'alcance semanal', 'copertura 7 giorni', 'copertura settimanale', 'bereik 7 dagen', 'wekelijks bereik'],
  reach_28d: ['reach 28 days', 'reichweite 28 tage', 'portee 28 jours', 'alcance 28 dias', 'copertura 28 giorni', 'bereik 28 dagen'],
  visitors_1d: ['visitors', 'profile visitors', 'besucher', 'profilbesucher', 'visiteurs', 'visitantes', 'visitatori', 'bezoekers'],
  profile_visits: ['profile visits', 'profilaufrufe', 'profilbesuche', 'visites du profil', 'visitas al perfil', 'visitas ao perfil', 'visite al profilo', 'profielbezoeken'],
  reactions: ['likes', 'reactions', 'reaktionen', 'gefallt mir', 'gefallt mir angaben', 'j aime', 'mentions j aime', 'me gusta', 'reacciones', 'curtidas', 'gostos', 'reacoes', 'mi piace', 'reazioni', 'vind ik leuks', 'reacties van het type vind ik leuk'],
  comments: ['comments', 'kommentare', 'commentaires', 'comentarios', 'commenti', 'opmerkingen', 'reacties', 'commentaren'],
  shares: ['shares', 'geteilt', 'geteilte inhalte', 'teilungen', 'partages', 'compartidos', 'veces compartido', 'compartilhamentos', 'partilhas', 'condivisioni', 'keer gedeeld', 'gedeeld'],
  saves: ['saves', 'saved', 'gespeichert', 'speicherungen', 'enregistrements', 'guardados', 'salvamentos', 'salvos', 'salvataggi', 'bewaard', 'opgeslagen'],
  clicks: ['clicks', 'link clicks', 'klicks', 'linkklicks', 'clics', 'clics sur le lien', 'clics en el enlace', 'cliques', 'cliques no link', 'clic', 'clic sul link', 'klikken', 'linkklikken'],
  views: ['views', 'video views', 'aufrufe', 'videoaufrufe', 'vues', 'vues de la video', 'visualizaciones', 'reproducciones', 'reproducciones de video', 'visualizacoes', 'visualizacoes de video', 'visualizzazioni', 'visualizzazioni del video', 'weergaven', 'videoweergaven'],
  watch_seconds: ['watch time seconds', 'wiedergabezeit sekunden', 'wiedergabezeit in sekunden', 'duree de visionnage secondes', 'tiempo de reproduccion segundos', 'tempo de exibicao segundos', 'tempo di visualizzazione secondi', 'kijktijd seconden', 'kijktijd in seconden'],
  followers: ['followers', 'total followers', 'follower', 'abonnenten', 'follower gesamt', 'abonnes', 'nombre d abonnes', 'seguidores', 'seguidores totales', 'total de seguidores', 'follower totali', 'volgers', 'totaal aantal volgers'],
  new_followers: ['new followers', 'neue follower', 'neue abonnenten', 'nouveaux abonnes', 'nuevos seguidores', 'novos seguidores', 'nuovi follower', 'nieuwe volgers'],
  lost_followers: ['unfollows', 'lost followers', 'verlorene follower', 'entfolgt', 'abonnes perdus', 'desabonnements', 'seguidores perdidos', 'follower persi', 'verloren volgers'],
  posts: ['posts', 'beitrage', 'veroffentlichte beitrage', 'publications', 'publicaciones', 'publicacoes', 'post pubblicati', 'berichten'],
}
