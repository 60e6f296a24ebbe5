import { foldName } from './names';

/*
 * What columns are called, in languages of Europe and some beyond: a hint that weighs a little, never a condition. Parted by commas, as they are written; a word
 * that ends with ~ is the beginning of one ("przełożon~" stands in "Nr przełożonego").
 */

export const headingWords = {
  /** Who somebody reports to. */
  superior: `Vorgesetzt~, Führungskraft, Chef, Chefin, berichtet an, unterstellt, Leitung durch, leidinggevende~, rapporteert aan, valt onder, baas, responsable, supérieur~, rattaché à,
    rapporte à, relève de, dépend de, encadrant, n+1, jefe~, jefa~, depende de, reporta a, superior, chefe~, chefia, responde a, subordinado a, responsabile~, capo, superiore~, riporta a,
    dipende da, närmaste chef, rapporterar till, överordnad~, leder, nærmeste leder~, nærmeste sjef~, sjef, overordnet~, rapporterer til, refererer til, esimie~, esihenkilö~,
    lähiesimie~, lähiesihenkilö~, przełożon~, kierownik~, zwierzchnik~, szef~, podlega, podlega pod, raportuje do, nadřízen~, vedoucí~, šéf~, nadriaden~, vedúci~, felettes~, vezető~, főnök~,
    șef~, superiorul~, raportează la, yönetici~, bağlı olduğu kişi, amir~, nadređen~, nadrejen~, voditelj~, προϊστάμεν~, υπεύθυν~, руководител~, начальник~, подчиняется, керівник~,
    ülemus, vadovas, tiešais vadītājs, 上级, 直属上级, 主管, 汇报对象, 上司, 上長, 直属上司, 상사, 관리자`,
  /** Before a superior: one beside the first. */
  further: `zweit~, weiter~, fachlich~, funktional~, auch~, tweede~, functione~, ook, second~, deuxièm~, autre, fonctionnel~, aussi, segund~, también, funcional~, também,
    funzional~, anche, andra, andre, anden, annen, också, også, funktionell~, funktionel~, toinen, myös, drugi~, też, także, funkcjonaln~, druhý~, také, második, al doilea, ikinci, ayrıca, второ~, также`,
  number: `Personalnummer, Personal-Nr, Pers.-Nr, Mitarbeiternummer, Nummer, Kennung, lfd. Nr, laufende Nummer, Zeile, nummer, personeelsnummer, volgnummer, matricule, numéro, identifiant, n°, número, código,
    legajo, identificador, matrícula, N.º, linha, matricola, codice, numero, riga, anställningsnummer, rad, medarbejdernr, medarbejdernummer, ansattnummer, løbenr, henkilönumero, tunnus, nro, rivi, numer, nr pracownika, Lp,
    identyfikator, číslo, osobní číslo, pořadí, azonosító, sorszám, marca, număr, cod, sicil no, numara, sıra, sıra no, kimlik, broj, šifra, αριθμός, κωδικός, номер, табельный номер, №, код,
    编号, 工号, 序号, 番号, 社員番号, 번호, 사번`,
  person: `Mitarbeiter, Mitarbeiterin, Person, Vor- und Nachname, Name und Vorname, naam, medewerker, nom, nom et prénom, salarié, employé, collaborateur, agent, nombre, nombre completo, empleado,
    trabajador, persona, nome, nome completo, funcionário, colaborador, empregado, pessoa, dipendente, collaboratore, nome e cognome, nominativo, namn, anställd, medarbetare, navn, medarbejder, ansatt, nimi,
    työntekijä, henkilö, imię i nazwisko, nazwisko i imię, pracownik, nazwa, osoba, jméno, jméno a příjmení, zaměstnanec, pracovník, meno, zamestnanec, név, munkatárs, dolgozó, nume, nume și prenume,
    angajat, ad soyad, adı soyadı, çalışan, personel, isim, ime, ime i prezime, zaposlenik, όνομα, ονοματεπώνυμο, υπάλληλος, ФИО, имя, сотрудник, работник, ім'я, працівник, nimi,
    vardas, darbuotojas, 姓名, 名字, 员工, 氏名, 名前, 社員, 이름, 성명, 직원`,
  post: `Titel, Funktion, Stelle, Position, Aufgabe, Abteilung, Bereich, Standort, Ort, functie, afdeling, locatie, fonction, poste, titre, service, département, lieu, intitulé du poste, cargo, puesto, departamento, área, sede,
    ubicación, função, setor, local, ruolo, mansione, posizione, qualifica, reparto, ufficio, unità, befattning, titel, roll, avdelning, enhet, plats, stilling, afdeling, avdeling, sted, tehtävä, nimike, asema, osasto,
    yksikkö, toimipaikka, stanowisko, funkcja, dział, wydział, oddział, funkce, pozice, oddělení, místo, beosztás, munkakör, osztály, funcție, departament, görev, unvan, pozisyon, bölüm, birim,
    radno mjesto, odjel, θέση, τμήμα, должность, отдел, посада, відділ, 职位, 职务, 部门, 役職, 部署, 직책, 부서`,
  /** What an idea belongs to. */
  broader: `Oberbegriff, übergeordnet~, gehört zu, Teil von, Oberklasse, hoort bij, onderdeel van, bovenliggend~, overkoepelend~, appartient à, terme générique, partie de, relève de, catégorie, pertenece a, parte de, término superior,
    término genérico, concepto superior, categoría, pertence a, conceito superior, termo geral, appartiene a, parte di, termine generico, concetto superiore, hör till, del av, överordnat begrepp, hører til, del af, overordnet~,
    overbegrep, overbegreb, kuuluu, yläkäsite, osa, należy do, część, pojęcie nadrzędne, patří do, část, nadřazen~, nadraden~, tartozik, fölérendelt~, része, aparține de, parte din, termen superior,
    üst kavram, bağlı olduğu, ait olduğu, pripada, nadređeni pojam, ανήκει σε, ευρύτερος όρος, относится к, часть, родовое понятие, надпонятие, 上位概念, 属于, 上位語, 分類, 상위`,
  idea: `Thema, Begriff, Unterbegriff, begrip, onderwerp, terme, notion, élément, sujet, término, tema, concepto, elemento, termo, assunto, conceito, termine, concetto, argomento, voce, begrepp, ämne, begreb, emne, begrep,
    käsite, aihe, termi, pojęcie, temat, hasło, pojem, téma, heslo, fogalom, termen, noțiune, kavram, konu, terim, pojam, έννοια, όρος, понятие, тема, термин, поняття, 概念, 术语, 用語, 主題, 개념`,
  remark: `Anmerkung, Bemerkung, Notiz, Beschreibung, Hinweis, opmerking, toelichting, remarque, observation, définition, observación, observaciones, nota, notas, descripción, observações, descrição, nota, osservazioni, descrizione,
    anmärkning, anteckning, beskrivning, bemærkning, merknad, huomautus, huomautuksia, lisätietoja, selite, uwagi, uwaga, opis, poznámka, popis, megjegyzés, leírás, observații, notlar, açıklama, napomena,
    παρατηρήσεις, примечание, примечания, описание, 备注, 说明, 備考, 説明, 비고`,
  father: `Vater~, vader~, père, nom du père, padre, nombre del padre, pai, nome do pai, nome del padre, far, fader~, faderns~, farens~, isä, isän~, ojciec, ojca, imię ojca, otec, otce, apa, apja, tatăl, tată, baba, babası, otac,
    πατέρας, отец, отца, батько, 父, 父亲, 父親, 아버지`,
  mother: `Mutter~, moeder~, mère, nom de la mère, madre, nombre de la madre, mãe, nome da mãe, nome della madre, mor, moder~, moderns~, morens~, äiti, äidin~, matka, matki, imię matki, matka, matky, anya, anyja, mama, mamă,
    anne, annesi, majka, μητέρα, мать, матери, мати, 母, 母亲, 母親, 어머니`,
  parents: `Eltern, Kind von, ouders, kind van, enfant de, padres, hijo de, hija de, pais, filho de, genitori, figlio di, figlia di, föräldrar, barn till, forældre, foreldre, barn av, barn af, vanhemmat, lapsi, rodzice,
    dziecko, rodiče, dítě, szülők, szülei, părinți, copilul lui, ebeveyn, anne baba, roditelji, γονείς, родители, батьки, 父母, 両親, 부모`,
  partner: `Ehepartner~, Ehemann, Ehefrau, Gatte, Gattin, verheiratet mit, echtgenoot, echtgenote, gehuwd met, conjoint~, époux, épouse, marié à, cónyuge, esposo, esposa, casado con, casada con, cônjuge, casado com,
    coniuge, marito, moglie, sposato con, make, maka, gift med, ægtefælle, ektefelle, puoliso, aviopuoliso, małżonek, małżonka, mąż, żona, manžel~, házastárs~, férj, feleség, soț, soție, eş, eşi, supružnik,
    σύζυγος, супруг~, муж, жена, чоловік, дружина, 配偶, 配偶者, 배우자`,
  born: `geboren, Geburt, Geburtsdatum, Geburtsjahr, geb, geboortedatum, né, née, né le, naissance, date de naissance, nacido, nacimiento, fecha de nacimiento, nascimento, nasc, data de nascimento, nato, nata, nascita,
    data di nascita, född, födelsedatum, født, fødselsdato, syntynyt, synt, syntymäaika, urodzony, urodzona, ur, data urodzenia, narozen, datum narození, született, születés, születési idő, născut, nașterea, doğum, doğum tarihi,
    rođen, γέννηση, родился, рождение, дата рождения, 出生, 生年, 生年月日, 출생`,
  died: `gestorben, Tod, Todesdatum, Todesjahr, gest, overleden, sterfdatum, overlijden, décès, mort, décédé, décédé le, fallecido, muerte, defunción, falecimento, óbito, morto, morte, data di morte, död, avliden, dödsdatum,
    død, dødsdato, kuollut, kuolinaika, zmarł, zm, zmarła, data śmierci, zemřel, úmrtí, meghalt, halál, decedat, decesul, ölüm, ölüm tarihi, umro, θάνατος, умер, смерть, дата смерти, 死亡, 没年, 사망`,
  sex: `Geschlecht, geslacht, sexe, h/f, sexo, sesso, kön, køn, kjønn, sukupuoli, płeć, pohlaví, nem, cinsiyet, spol, φύλο, пол, стать, 性别, 性別, 성별`,
  wedding: `Heirat, Hochzeit, verheiratet seit, huwelijk, trouwdatum, mariage, marié le, matrimonio, boda, casamento, bodas, matrimonio, nozze, vigsel, bröllop, vielse, bryllup, vihitty, häät, ślub, data ślubu, svatba,
    sňatek, esküvő, căsătorie, nunta, evlilik, nikâh, vjenčanje, γάμος, брак, свадьба, 结婚, 結婚, 결혼`,
  /** A step of a decision, and what it comes after. */
  step: `Zweig, Schritt, Möglichkeit, Ergebnis, tak, stap, keuze, uitkomst, branche, étape, issue, choix, rama, paso, opción, resultado, ramo, etapa, opção, desfecho, ramo, passo, opzione, scelta, esito, gren, val, steg, trin, valg, utfall,
    udfald, haara, vaihe, vaihtoehto, gałąź, krok, opcja, wybór, větev, možnost, volba, ág, lépés, lehetőség, ramură, pas, opțiune, dal, adım, seçenek, grana, korak, ветвь, шаг, вариант, 分支, 步骤, 选项, 枝, 段階`,
  after: `folgt auf, nach, Vorgänger, vorheriger Schritt, volgt op, na, suit, après, étape précédente, sigue a, después de, paso anterior, depois de, segue, etapa anterior, dopo, passo precedente, följer på, efter, föregående steg, følger efter, følger på,
    etter, seuraa, edellinen, po, następuje po, poprzedni krok, předchozí, után, előző, după, pasul anterior, sonra, önceki, poslije, prethodni, после, предыдущий, 前一步, 之后, 前`,
  answer: `Antwort, antwoord, réponse, respuesta, resposta, risposta, svar, vastaus, odpowiedź, odpověď, válasz, răspuns, cevap, yanıt, odgovor, απάντηση, ответ, 答案, 回答`,
  /** The words between two ideas, and the ideas at either end. */
  linking: `Beziehung, Verbindung, Verb, verband, relatie, werkwoord, lien, relation, verbe, relación, verbo, enlace, ligação, relação, relazione, legame, länkord, samband, verb, forbindelse, relasjon, relation, suhde, verbi, związek, czasownik,
    relacja, vztah, sloveso, kapcsolat, ige, legătură, verb, bağ, ilişki, fiil, veza, glagol, σχέση, связь, отношение, глагол, 关系, 動詞, 関係`,
  fromIdea: `Quelle, Begriff, begrip, begrepp, concetto, concepto, conceito, notion, pojem, pojęcie, origine, origin, källa, den, von, Ausgangsbegriff, van, bron, de, depuis, départ, concept de départ, desde, origen, da, partenza, från, fra, kilde, lähde, mistä, od, ot, źródło, zdroj, honnan, de la, nereden, kaynak, iz, από, от, откуда, 从, 起点`,
  toIdea: `Ziel, k, nach, zu, Zielbegriff, naar, doel, vers, arrivé, arrivée, concept d'arrivée, hacia, para, destino, verso, arrivo, till, til, mål, kohde, mihin, do, cel, cíl, hová, la, nereye, hedef, προς, куда, 到, 终点`,
} as const;

type Meaning = keyof typeof headingWords;

const escaped = (word: string): string => word.replace(/[\\^$.*+?()[\]{}|/]/g, '\\$&');

/** Words as they are compared: those that are the whole of a heading, and the beginnings of words within one. */
function partedWords(meaning: Meaning): { readonly whole: string; readonly begun: string } {
  const each = headingWords[meaning].split(',').map((word) => word.trim());
  const anyOf = (words: readonly string[]) => [...new Set(words.map((word) => escaped(foldName(word))))].join('|');
  return {
    whole: anyOf(each.filter((word) => !word.endsWith('~'))),
    begun: anyOf(each.filter((word) => word.endsWith('~')).map((word) => word.slice(0, -1))),
  };
}

/** What a heading has, folded, that is one of these words: the whole of it, or a word in it that begins as one that ends with ~. */
export function wordsFor(meaning: Meaning): RegExp {
  const { whole, begun } = partedWords(meaning);
  return new RegExp(`^(?:${whole})$${begun && `|(?:^|[ /])(?:${begun})`}`, 'u');
}

/** A heading that speaks of a superior beside the first: "Functional manager", "Drugi przełożony". */
export function furtherSuperior(): RegExp {
  const further = partedWords('further');
  const superior = partedWords('superior');
  const one = `(?:(?:${further.whole}) |(?:${further.begun})[^ ]* )`;
  return new RegExp(`^${one}(?:${superior.whole}|.*(?:${superior.begun}).*)$`, 'u');
}
