<?xml version="1.0" encoding="utf-8"?>
<!DOCTYPE TS>
<TS version="2.1" language="de_DE" sourcelanguage="en_US">
    <context>
        <name>wisetick</name>
        <message>
            <source>
Nothing is lost: the plan stays open. Save it elsewhere with Ctrl+Shift+S, or try again.</source>
            <translation>
Nichts ist verloren: der Plan bleibt offen. Speichern Sie ihn mit Strg+Umschalt+S anderswo, oder versuchen Sie es noch einmal.</translation>
        </message>
        <message numerus="yes">
            <source> (or %n more that shows the same)</source>
            <translation>
                <numerusform> (oder %n weiteres, das dasselbe zeigt)</numerusform>
                <numerusform> (oder %n weiteres, das dasselbe zeigt)</numerusform>
            </translation>
        </message>
        <message>
            <source> (used in line {}</source>
            <translation> (benutzt in Zeile {}</translation>
        </message>
        <message>
            <source> (↓ and Enter)</source>
            <translation> (↓ und Enter)</translation>
        </message>
        <message>
            <source> + late</source>
            <translation> + Verspätung</translation>
        </message>
        <message>
            <source> FD</source>
            <translation> FD</translation>
        </message>
        <message>
            <source> FD fast</source>
            <translation> FD schnell</translation>
        </message>
        <message>
            <source> In tier {} {} may run at up to {}; that needs {}.</source>
            <translation> In Stufe {} darf {} mit bis zu {} laufen; das braucht {}.</translation>
        </message>
        <message>
            <source> It was not saved over.</source>
            <translation> Sie wurde nicht überschrieben.</translation>
        </message>
        <message>
            <source> What was open stays.</source>
            <translation> Was offen war, bleibt.</translation>
        </message>
        <message>
            <source> above 0</source>
            <translation> über 0</translation>
        </message>
        <message>
            <source> after {} at the latest</source>
            <translation> nach spätestens {}</translation>
        </message>
        <message>
            <source> and </source>
            <translation> und </translation>
        </message>
        <message>
            <source> and %1 more</source>
            <translation> und %1 weitere</translation>
        </message>
        <message>
            <source> and at most a tenth sooner</source>
            <translation> und höchstens ein Zehntel eher</translation>
        </message>
        <message>
            <source> and nothing behind it</source>
            <translation> und nichts dahinter</translation>
        </message>
        <message>
            <source> and {} more)</source>
            <translation> und {} weiteren)</translation>
        </message>
        <message>
            <source> as high as possible{}</source>
            <translation> so hoch wie möglich{}</translation>
        </message>
        <message>
            <source> as low as possible{}</source>
            <translation> so tief wie möglich{}</translation>
        </message>
        <message>
            <source> asks for</source>
            <translation> verlangt</translation>
        </message>
        <message>
            <source> at least {}</source>
            <translation> mindestens {}</translation>
        </message>
        <message>
            <source> at most {}</source>
            <translation> höchstens {}</translation>
        </message>
        <message>
            <source> at the fastest clock</source>
            <translation> beim schnellsten Takt</translation>
        </message>
        <message>
            <source> at the slowest clock</source>
            <translation> beim langsamsten Takt</translation>
        </message>
        <message>
            <source> at {}</source>
            <translation> bei {}</translation>
        </message>
        <message>
            <source> below {}</source>
            <translation> unter {}</translation>
        </message>
        <message>
            <source> between {} and {}</source>
            <translation> zwischen {} und {}</translation>
        </message>
        <message>
            <source> bit/s</source>
            <translation> Bit/s</translation>
        </message>
        <message>
            <source> can't be fed from '%1'</source>
            <translation> kann nicht von „%1“ gespeist werden</translation>
        </message>
        <message>
            <source> can't be kept</source>
            <translation> lässt sich nicht halten</translation>
        </message>
        <message>
            <source> can't be kept together</source>
            <translation> lassen sich nicht zusammen halten</translation>
        </message>
        <message>
            <source> comes about every</source>
            <translation> kommt etwa alle</translation>
        </message>
        <message>
            <source> comes every</source>
            <translation> kommt alle</translation>
        </message>
        <message>
            <source> cuts {} of {}</source>
            <translation> schneidet {} von {} ab</translation>
        </message>
        <message>
            <source> down to {}</source>
            <translation> bis hinab zu {}</translation>
        </message>
        <message>
            <source> early</source>
            <translation> zu früh</translation>
        </message>
        <message>
            <source> freed</source>
            <translation> freigegeben</translation>
        </message>
        <message>
            <source> from %1</source>
            <translation> von %1</translation>
        </message>
        <message>
            <source> has one source only</source>
            <translation> hat nur eine Quelle</translation>
        </message>
        <message>
            <source> in the worst case</source>
            <translation> im schlimmsten Fall</translation>
        </message>
        <message>
            <source> in tier {}</source>
            <translation> in Stufe {}</translation>
        </message>
        <message>
            <source> in {}</source>
            <translation> in {}</translation>
        </message>
        <message>
            <source> instead of %1</source>
            <translation> statt %1</translation>
        </message>
        <message>
            <source> is lost</source>
            <translation> geht verloren</translation>
        </message>
        <message>
            <source> is no field of {}</source>
            <translation> ist kein Feld von {}</translation>
        </message>
        <message>
            <source> is received</source>
            <translation> wird empfangen</translation>
        </message>
        <message>
            <source> late</source>
            <translation> zu spät</translation>
        </message>
        <message>
            <source> locked</source>
            <translation> gesperrt</translation>
        </message>
        <message>
            <source> ms</source>
            <translation> ms</translation>
        </message>
        <message>
            <source> of 0 or more</source>
            <translation> von 0 oder mehr</translation>
        </message>
        <message>
            <source> or </source>
            <translation> oder </translation>
        </message>
        <message>
            <source> pt</source>
            <translation> pt</translation>
        </message>
        <message>
            <source> s</source>
            <translation> s</translation>
        </message>
        <message>
            <source> the dead time takes {}</source>
            <translation> die Totzeit dauert {}</translation>
        </message>
        <message>
            <source> to </source>
            <translation> bis </translation>
        </message>
        <message>
            <source> transfer</source>
            <translation> Transfer</translation>
        </message>
        <message>
            <source> transfers</source>
            <translation> Transfers</translation>
        </message>
        <message>
            <source> up to {}</source>
            <translation> bis {}</translation>
        </message>
        <message>
            <source> while {} is </source>
            <translation> während {} zugleich </translation>
        </message>
        <message>
            <source> with {}</source>
            <translation> mit {}</translation>
        </message>
        <message>
            <source> with {} from {}</source>
            <translation> mit {} von {}</translation>
        </message>
        <message>
            <source> with {}.</source>
            <translation> mit {}.</translation>
        </message>
        <message>
            <source> within 0.1 %</source>
            <translation> innerhalb von 0,1 %</translation>
        </message>
        <message>
            <source> within these limits.</source>
            <translation> innerhalb dieser Grenzen.</translation>
        </message>
        <message>
            <source> within {}</source>
            <translation> innerhalb von {}</translation>
        </message>
        <message>
            <source> woken from {}</source>
            <translation> geweckt aus {}</translation>
        </message>
        <message>
            <source> {} alone {}</source>
            <translation> {} allein {}</translation>
        </message>
        <message>
            <source> {} make both {} and {}.</source>
            <translation> {} ergeben sowohl {} als auch {}.</translation>
        </message>
        <message>
            <source> × prescaler</source>
            <translation> × Vorteiler</translation>
        </message>
        <message>
            <source> × speed of its waits</source>
            <translation> × Tempo seiner Wartezyklen</translation>
        </message>
        <message>
            <source> − brought)</source>
            <translation> − gebracht)</translation>
        </message>
        <message>
            <source> − {} brought</source>
            <translation> − {} gebracht</translation>
        </message>
        <message>
            <source>"n", "n-1", "log2 n", a form such as "16*n-16", or a table of codes</source>
            <translation>"n", "n-1", "log2 n", eine Form wie "16*n-16", oder eine Tabelle von Codes</translation>
        </message>
        <message>
            <source>"n", "n-1", "log2 n", or a table of codes</source>
            <translation>"n", "n-1", "log2 n", oder eine Tabelle von Codes</translation>
        </message>
        <message>
            <source>"off", or {{ off = "ID" }} where it hangs on another line</source>
            <translation>"off", oder {{ off = "ID" }}, wo es an einer anderen Leitung hängt</translation>
        </message>
        <message>
            <source>%1  exact</source>
            <translation>%1  exakt</translation>
        </message>
        <message>
            <source>%1 % of the plays are done; Esc ends them</source>
            <translation>%1 % der Spiele sind getan; Esc beendet sie</translation>
        </message>
        <message>
            <source>%1 %2 each time, %3 after a thousand</source>
            <translation>jedes Mal %1 %2, %3 nach tausend</translation>
        </message>
        <message>
            <source>%1 %2: %3</source>
            <translation>%1 %2: %3</translation>
        </message>
        <message>
            <source>%1 (taken back)</source>
            <translation>%1 (zurückgenommen)</translation>
        </message>
        <message>
            <source>%1 against the active take: %2 of %3 fields found</source>
            <translation>%1 gegen die aktive Fassung: %2 von %3 Feldern gefunden</translation>
        </message>
        <message>
            <source>%1 against the plan</source>
            <translation>%1 gegen den Plan</translation>
        </message>
        <message>
            <source>%1 as often as planned</source>
            <translation>%1-mal so oft wie geplant</translation>
        </message>
        <message>
            <source>%1 at %2</source>
            <translation>%1 bei %2</translation>
        </message>
        <message>
            <source>%1 average</source>
            <translation>%1 im Mittel</translation>
        </message>
        <message>
            <source>%1 belongs to: %2</source>
            <translation>%1 gehört zu: %2</translation>
        </message>
        <message>
            <source>%1 between 1 and 2, %2</source>
            <translation>%1 zwischen 1 und 2, %2</translation>
        </message>
        <message>
            <source>%1 bit at %2</source>
            <translation>%1 Bit bei %2</translation>
        </message>
        <message>
            <source>%1 bits: what is between both ends can be told apart</source>
            <translation>%1 Bit: was zwischen beiden Enden liegt, lässt sich unterscheiden</translation>
        </message>
        <message>
            <source>%1 broken · %2 strained · %3 kept</source>
            <translation>%1 gebrochen · %2 knapp · %3 gehalten</translation>
        </message>
        <message>
            <source>%1 can't be read any more: what stands there now is not known.</source>
            <translation>%1 kann nicht mehr gelesen werden: Was dort jetzt steht, ist nicht bekannt.</translation>
        </message>
        <message>
            <source>%1 can't be set to %2%3</source>
            <translation>%1 lässt sich nicht auf %2%3 stellen</translation>
        </message>
        <message>
            <source>%1 can't reach %2 from its source</source>
            <translation>%1 kann %2 von seiner Quelle aus nicht erreichen</translation>
        </message>
        <message>
            <source>%1 can't run at %2</source>
            <translation>%1 kann nicht mit %2 laufen</translation>
        </message>
        <message>
            <source>%1 can't stand together; without any one of them the others can</source>
            <translation>%1 gehen nicht zusammen; ohne irgendeines davon gehen die anderen</translation>
        </message>
        <message>
            <source>%1 conversions each</source>
            <translation>je %1 Wandlungen</translation>
        </message>
        <message>
            <source>%1 early an hour</source>
            <translation>%1 je Stunde zu früh</translation>
        </message>
        <message>
            <source>%1 every %2</source>
            <translation>%1 alle %2</translation>
        </message>
        <message>
            <source>%1 fields of %2 registers from %3, %4 in use</source>
            <translation>%1 Felder in %2 Registern aus %3, %4 davon in Gebrauch</translation>
        </message>
        <message>
            <source>%1 for %2</source>
            <translation>%1 für %2</translation>
        </message>
        <message>
            <source>%1 for %2 of the time</source>
            <translation>%1 während %2 der Zeit</translation>
        </message>
        <message>
            <source>%1 from %2</source>
            <translation>%1 von %2</translation>
        </message>
        <message>
            <source>%1 handed over</source>
            <translation>%1 übergeben</translation>
        </message>
        <message>
            <source>%1 has %2 faults.</source>
            <translation>%1 hat %2 Fehler.</translation>
        </message>
        <message>
            <source>%1 has a fault.</source>
            <translation>%1 hat einen Fehler.</translation>
        </message>
        <message>
            <source>%1 has changes that are not saved.</source>
            <translation>%1 hat Änderungen, die nicht gespeichert sind.</translation>
        </message>
        <message>
            <source>%1 has no %2</source>
            <translation>%1 hat keinen %2</translation>
        </message>
        <message>
            <source>%1 has no field for a factor</source>
            <translation>%1 hat kein Feld für einen Faktor</translation>
        </message>
        <message>
            <source>%1 in %2</source>
            <translation>%1 in %2</translation>
        </message>
        <message>
            <source>%1 is below 0</source>
            <translation>%1 liegt unter 0</translation>
        </message>
        <message>
            <source>%1 is called</source>
            <translation>%1 heißt</translation>
        </message>
        <message>
            <source>%1 is free to take its best way</source>
            <translation>%1 darf wieder den besten Weg nehmen</translation>
        </message>
        <message>
            <source>%1 is locked; Ctrl+B frees it</source>
            <translation>%1 ist gesperrt; Strg+B gibt frei</translation>
        </message>
        <message>
            <source>%1 is one of several that a pattern makes: change that in the text.</source>
            <translation>%1 ist eines von mehreren, die ein Muster macht: Ändern Sie das im Text.</translation>
        </message>
        <message>
            <source>%1 is open %2 too: what is saved there and what is saved here write over one another.</source>
            <translation>%1 ist auch %2 offen: was dort und was hier gespeichert wird, überschreibt einander.</translation>
        </message>
        <message>
            <source>%1 is open at %2 bit/s</source>
            <translation>%1 ist mit %2 Bit/s offen</translation>
        </message>
        <message>
            <source>%1 is open in another window, which was raised</source>
            <translation>%1 ist in einem anderen Fenster offen, das nach vorn geholt wurde</translation>
        </message>
        <message>
            <source>%1 it is</source>
            <translation>%1 sind es</translation>
        </message>
        <message>
            <source>%1 it is; with up to %2 of cable</source>
            <translation>%1 sind es; mit bis zu %2 Kabel</translation>
        </message>
        <message>
            <source>%1 lanes carry the data</source>
            <translation>%1 Leitungen tragen die Daten</translation>
        </message>
        <message>
            <source>%1 late an hour</source>
            <translation>%1 je Stunde zu spät</translation>
        </message>
        <message>
            <source>%1 lines, %2 peripherals, unknown: %3</source>
            <translation>%1 Leitungen, %2 Peripherien, unbekannt: %3</translation>
        </message>
        <message>
            <source>%1 mode: low at least %2, high at least %3, rise at most %4</source>
            <translation>Modus %1: tief mindestens %2, hoch mindestens %3, Anstieg höchstens %4</translation>
        </message>
        <message>
            <source>%1 moved %2 results</source>
            <translation>%1 hat %2 Ergebnisse bewegt</translation>
        </message>
        <message>
            <source>%1 no longer handed over</source>
            <translation>%1 nicht mehr übergeben</translation>
        </message>
        <message>
            <source>%1 nominal, %2 to %3 at the corners</source>
            <translation>%1 nominal, %2 bis %3 an den Ecken</translation>
        </message>
        <message>
            <source>%1 not kept</source>
            <translation>%1 nicht behalten</translation>
        </message>
        <message>
            <source>%1 of %2</source>
            <translation>%1 von %2</translation>
        </message>
        <message>
            <source>%1 of %2 %3</source>
            <translation>%1 von %2 %3</translation>
        </message>
        <message>
            <source>%1 of %2 fitted</source>
            <translation>%1 von %2 angepasst</translation>
        </message>
        <message>
            <source>%1 of %2 words</source>
            <translation>%1 von %2 Wörtern</translation>
        </message>
        <message>
            <source>%1 of %2: %3 of its tolerance, changes %4; %5</source>
            <translation>%1 von %2: %3 seiner Toleranz, ändert %4; %5</translation>
        </message>
        <message>
            <source>%1 of its tolerance, changes %2; %3</source>
            <translation>%1 seiner Toleranz, ändert %2; %3</translation>
        </message>
        <message>
            <source>%1 of the play</source>
            <translation>%1 vom Spiel</translation>
        </message>
        <message>
            <source>%1 on %2</source>
            <translation>%1 auf %2</translation>
        </message>
        <message>
            <source>%1 on average</source>
            <translation>%1 im Mittel</translation>
        </message>
        <message>
            <source>%1 on average; Shift and an arrow open a share</source>
            <translation>%1 im Mittel; Umschalt und ein Pfeil öffnen einen Anteil</translation>
        </message>
        <message>
            <source>%1 on, %2 off; it switches on count %3 of %4</source>
            <translation>%1 an, %2 aus; er schaltet bei Zählerstand %3 von %4</translation>
        </message>
        <message>
            <source>%1 other settings of the same rates</source>
            <translation>%1 andere Einstellungen derselben Raten</translation>
        </message>
        <message>
            <source>%1 pays beyond %2</source>
            <translation>%1 lohnt sich ab %2</translation>
        </message>
        <message>
            <source>%1 pinned to %2</source>
            <translation>%1 auf %2 festgelegt</translation>
        </message>
        <message>
            <source>%1 plays of %2 runs: nine in ten lie within</source>
            <translation>%1 Spiele von %2 Läufen: neun von zehn liegen innerhalb</translation>
        </message>
        <message>
            <source>%1 quanta of %2; sampled at %3, jumps by up to %4</source>
            <translation>%1 Quanten von %2; abgetastet bei %3, springt um bis zu %4</translation>
        </message>
        <message>
            <source>%1 removed</source>
            <translation>%1 entfernt</translation>
        </message>
        <message>
            <source>%1 there are</source>
            <translation>%1 gibt es</translation>
        </message>
        <message>
            <source>%1 times in what is shown</source>
            <translation>%1-mal im Gezeigten</translation>
        </message>
        <message>
            <source>%1 to %2</source>
            <translation>%1 bis %2</translation>
        </message>
        <message>
            <source>%1 turns, compiled for %2</source>
            <translation>%1 Durchläufe, übersetzt für %2</translation>
        </message>
        <message>
            <source>%1 typical, %2 at the longest, %3 asked</source>
            <translation>%1 typisch, %2 längstens, %3 verlangt</translation>
        </message>
        <message>
            <source>%1 typically, %2 at most</source>
            <translation>%1 typisch, %2 höchstens</translation>
        </message>
        <message>
            <source>%1 was changed by another program since it was read.</source>
            <translation>%1 wurde von einem anderen Programm geändert, seit es gelesen wurde.</translation>
        </message>
        <message>
            <source>%1 was changed by another program.</source>
            <translation>%1 wurde von einem anderen Programm geändert.</translation>
        </message>
        <message>
            <source>%1 was not written, for it could not be opened again: %2. What stood there stands there still.</source>
            <translation>%1 wurde nicht geschrieben, denn es ließe sich nicht wieder öffnen: %2. Was dort stand, steht dort noch.</translation>
        </message>
        <message>
            <source>%1 ← here</source>
            <translation>%1 ← hier</translation>
        </message>
        <message>
            <source>%1, %2</source>
            <translation>%1, %2</translation>
        </message>
        <message>
            <source>%1, %2 against the plan, %3</source>
            <translation>%1, %2 gegen den Plan, %3</translation>
        </message>
        <message>
            <source>%1, %2 at a tick of %3; bands are what the plan predicts</source>
            <translation>%1, %2 bei einem Tick von %3; Bänder sind, was der Plan vorhersagt</translation>
        </message>
        <message>
            <source>%1, %2 left out</source>
            <translation>%1, %2 ausgelassen</translation>
        </message>
        <message>
            <source>%1, %2, %3 of the time: </source>
            <translation>%1, %2, %3 der Zeit: </translation>
        </message>
        <message>
            <source>%1, %2: %3</source>
            <translation>%1, %2: %3</translation>
        </message>
        <message>
            <source>%1, %2: %3; %4</source>
            <translation>%1, %2: %3; %4</translation>
        </message>
        <message>
            <source>%1, a promise</source>
            <translation>%1, eine Zusage</translation>
        </message>
        <message>
            <source>%1, active</source>
            <translation>%1, aktiv</translation>
        </message>
        <message>
            <source>%1, asked %2, got %3</source>
            <translation>%1, verlangt %2, erreicht %3</translation>
        </message>
        <message>
            <source>%1, now %2, %3</source>
            <translation>%1, jetzt %2, %3</translation>
        </message>
        <message>
            <source>%1, so %2</source>
            <translation>%1, also %2</translation>
        </message>
        <message>
            <source>%1: %2</source>
            <translation>%1: %2</translation>
        </message>
        <message>
            <source>%1: %2 = %3 = %4</source>
            <translation>%1: %2 = %3 = %4</translation>
        </message>
        <message>
            <source>%2, the first that is free of %1</source>
            <translation>%2, der erste, der frei von %1 ist</translation>
        </message>
        <message numerus="yes">
            <source>%n edges</source>
            <translation>
                <numerusform>%n Flanke</numerusform>
                <numerusform>%n Flanken</numerusform>
            </translation>
        </message>
        <message numerus="yes">
            <source>%n takes</source>
            <translation>
                <numerusform>%n Fassung</numerusform>
                <numerusform>%n Fassungen</numerusform>
            </translation>
        </message>
        <message numerus="yes">
            <source>%n times %1</source>
            <translation>
                <numerusform>%n-mal %1</numerusform>
                <numerusform>%n-mal %1</numerusform>
            </translation>
        </message>
        <message>
            <source>&amp;Edit</source>
            <translation>&amp;Bearbeiten</translation>
        </message>
        <message>
            <source>&amp;File</source>
            <translation>&amp;Datei</translation>
        </message>
        <message>
            <source>&amp;Help</source>
            <translation>&amp;Hilfe</translation>
        </message>
        <message>
            <source>&amp;Plan</source>
            <translation>&amp;Plan</translation>
        </message>
        <message>
            <source>&amp;View</source>
            <translation>&amp;Ansicht</translation>
        </message>
        <message>
            <source>'%1' are no keys; such as Ctrl+Alt+J</source>
            <translation>„%1“ sind keine Tasten; etwa Ctrl+Alt+J</translation>
        </message>
        <message>
            <source>'%1' is no id: a small letter, then small letters, digits, '_' and '-'.</source>
            <translation>„%1“ ist keine Kennung: ein kleiner Buchstabe, dann kleine Buchstaben, Ziffern, „_“ und „-“.</translation>
        </message>
        <message>
            <source>'%1'; expected an address and a port, such as 127.0.0.1:%2</source>
            <translation>„%1“; erwartet wird eine Adresse und ein Port, etwa 127.0.0.1:%2</translation>
        </message>
        <message>
            <source>'= RATE', 'within', 'at least', 'at most', 'between', 'as high as possible' or 'as low as possible'</source>
            <translation>'= RATE', 'within', 'at least', 'at most', 'between', 'as high as possible' oder 'as low as possible'</translation>
        </message>
        <message>
            <source>'and' and the higher rate</source>
            <translation>'and' und die höhere Rate</translation>
        </message>
        <message>
            <source>'as' and one of {}</source>
            <translation>'as' und eines von {}</translation>
        </message>
        <message>
            <source>'at' and 'within' that do not stand together, alone</source>
            <translation>'at' und 'within', die nicht zusammen stehen, allein</translation>
        </message>
        <message>
            <source>'base' beside 'typ' or 'max'</source>
            <translation>'base' neben 'typ' oder 'max'</translation>
        </message>
        <message>
            <source>'cycles' beside a time</source>
            <translation>'cycles' neben einer Zeit</translation>
        </message>
        <message>
            <source>'divide' for '{}', which has no divider</source>
            <translation>'divide' für „{}“, das keinen Teiler hat</translation>
        </message>
        <message>
            <source>'draws' in the part file</source>
            <translation>'draws' in der Bausteindatei</translation>
        </message>
        <message>
            <source>'drive' for '{}', which has no choice of it</source>
            <translation>'drive' für „{}“, das keine Wahl davon hat</translation>
        </message>
        <message>
            <source>'every' needs to know by what: add 'by rtc'</source>
            <translation>'every' muss wissen, wonach: 'by rtc' hinzufügen</translation>
        </message>
        <message>
            <source>'multiply' for '{}', which has no multiplier</source>
            <translation>'multiply' für „{}“, das keinen Vervielfacher hat</translation>
        </message>
        <message>
            <source>'rate' for '{}', which has no choice of rates</source>
            <translation>'rate' für „{}“, das keine Wahl von Raten hat</translation>
        </message>
        <message>
            <source>'rates', 'fields', 'waits', 'draws', 'wakes' or 'promises'</source>
            <translation>'rates', 'fields', 'waits', 'draws', 'wakes' oder 'promises'</translation>
        </message>
        <message>
            <source>'steps' up to a rate, or 'from' a rate on</source>
            <translation>'steps' bis zu einer Rate, oder 'from' einer Rate an</translation>
        </message>
        <message>
            <source>'to' a whole number of steps from 'from'</source>
            <translation>'to', eine ganze Zahl von Schritten ab 'from'</translation>
        </message>
        <message>
            <source>'to' not below 'from'</source>
            <translation>'to' nicht unter 'from'</translation>
        </message>
        <message>
            <source>'{}' again</source>
            <translation>noch einmal „{}“</translation>
        </message>
        <message>
            <source>'{}' as access</source>
            <translation>„{}“ als Zugriff</translation>
        </message>
        <message>
            <source>'{}' as bits of {}</source>
            <translation>„{}“ als Bits von {}</translation>
        </message>
        <message>
            <source>'{}' as {}</source>
            <translation>„{}“ als {}</translation>
        </message>
        <message>
            <source>'{}' bits</source>
            <translation>{} Bit</translation>
        </message>
        <message>
            <source>'{}' can't be a mode beside run</source>
            <translation>„{}“ kann kein Modus neben run sein</translation>
        </message>
        <message>
            <source>'{}' can't be a performance level</source>
            <translation>„{}“ kann keine Leistungsstufe sein</translation>
        </message>
        <message>
            <source>'{}' can't be fed from '{}'</source>
            <translation>„{}“ kann nicht von „{}“ gespeist werden</translation>
        </message>
        <message>
            <source>'{}' can't {} by {}</source>
            <translation>„{}“ kann durch {2} nicht {1}</translation>
        </message>
        <message>
            <source>'{}' chained with itself</source>
            <translation>„{}“ mit sich selbst verkettet</translation>
        </message>
        <message>
            <source>'{}' gets</source>
            <translation>„{}“ bekommt</translation>
        </message>
        <message>
            <source>'{}' has no drive '{}'</source>
            <translation>„{}“ hat keine Treiberstärke „{}“</translation>
        </message>
        <message>
            <source>'{}' has no rate</source>
            <translation>„{}“ hat keine Rate</translation>
        </message>
        <message>
            <source>'{}' has no rate of {}</source>
            <translation>„{}“ hat keine Rate von {}</translation>
        </message>
        <message>
            <source>'{}' has no unit</source>
            <translation>„{}“ hat keine Einheit</translation>
        </message>
        <message>
            <source>'{}' has no wake-up counter to wake every {}</source>
            <translation>„{}“ hat keinen Weckzähler, um alle {} zu wecken</translation>
        </message>
        <message>
            <source>'{}' has no {}</source>
            <translation>„{}“ hat kein {}</translation>
        </message>
        <message>
            <source>'{}' has {} {}</source>
            <translation>„{}“ hat {} {}</translation>
        </message>
        <message>
            <source>'{}' is a peripheral</source>
            <translation>„{}“ ist eine Peripherie</translation>
        </message>
        <message>
            <source>'{}' is accepted, and there is no such thing</source>
            <translation>„{}“ ist hingenommen, und so etwas gibt es nicht</translation>
        </message>
        <message>
            <source>'{}' is asked in take '{}'; change that promise first</source>
            <translation>„{}“ ist in Fassung „{}“ verlangt; ändern Sie zuerst diese Zusage</translation>
        </message>
        <message>
            <source>'{}' is asked while the job '{}' runs; change that promise first</source>
            <translation>„{}“ ist verlangt, während die Aufgabe „{}“ läuft; ändern Sie zuerst diese Zusage</translation>
        </message>
        <message>
            <source>'{}' is handed over already</source>
            <translation>„{}“ wird schon übergeben</translation>
        </message>
        <message>
            <source>'{}' is in the part</source>
            <translation>„{}“ ist im Baustein</translation>
        </message>
        <message>
            <source>'{}' is no current</source>
            <translation>„{}“ ist kein Strom</translation>
        </message>
        <message>
            <source>'{}' is no draw</source>
            <translation>„{}“ ist kein Verbrauch</translation>
        </message>
        <message>
            <source>'{}' is no factor</source>
            <translation>„{}“ ist kein Faktor</translation>
        </message>
        <message>
            <source>'{}' is no figure of what '{}' gets</source>
            <translation>„{}“ ist keine Zahl dessen, was „{}“ bekommt</translation>
        </message>
        <message>
            <source>'{}' is no id</source>
            <translation>„{}“ ist keine Kennung</translation>
        </message>
        <message>
            <source>'{}' is no id: a small letter, then small letters, digits, '_' and '-'</source>
            <translation>„{}“ ist keine Kennung: ein kleiner Buchstabe, dann kleine Buchstaben, Ziffern, „_“ und „-“</translation>
        </message>
        <message>
            <source>'{}' is no rate</source>
            <translation>„{}“ ist keine Rate</translation>
        </message>
        <message>
            <source>'{}' is no rate, such as 8 MHz</source>
            <translation>„{}“ ist keine Frequenz wie 8 MHz</translation>
        </message>
        <message>
            <source>'{}' is no signal of a peripheral</source>
            <translation>„{}“ ist kein Signal einer Peripherie</translation>
        </message>
        <message>
            <source>'{}' is no sleep mode of this part</source>
            <translation>„{}“ ist kein Schlafmodus dieses Bausteins</translation>
        </message>
        <message>
            <source>'{}' is no {}</source>
            <translation>„{}“ ist keine {}</translation>
        </message>
        <message>
            <source>'{}' is not handed over</source>
            <translation>„{}“ wird nicht übergeben</translation>
        </message>
        <message>
            <source>'{}' is not in the text</source>
            <translation>„{}“ steht nicht im Text</translation>
        </message>
        <message>
            <source>'{}' is off by</source>
            <translation>„{}“ liegt daneben um</translation>
        </message>
        <message>
            <source>'{}' is the only take; a plan keeps one</source>
            <translation>„{}“ ist die einzige Fassung; ein Plan behält eine</translation>
        </message>
        <message>
            <source>'{}' keeps '{}' but none of its clocks</source>
            <translation>„{}“ erhält „{}“, aber keinen von dessen Takten</translation>
        </message>
        <message>
            <source>'{}' stands there twice</source>
            <translation>„{}“ steht zweimal da</translation>
        </message>
        <message>
            <source>'{}' trimmed by itself</source>
            <translation>„{}“ durch sich selbst abgeglichen</translation>
        </message>
        <message>
            <source>'{}' twice</source>
            <translation>zweimal „{}“</translation>
        </message>
        <message>
            <source>'{}' with nothing {} it</source>
            <translation>„{}“, und nichts {} es</translation>
        </message>
        <message>
            <source>'{}' without 'rates'</source>
            <translation>„{}“ ohne 'rates'</translation>
        </message>
        <message>
            <source>'{}', a line</source>
            <translation>„{}“, eine Leitung</translation>
        </message>
        <message>
            <source>'{}', which is nothing that a part has</source>
            <translation>„{}“, was kein Baustein hat</translation>
        </message>
        <message>
            <source>'{}', which names no file</source>
            <translation>„{}“, das keine Datei nennt</translation>
        </message>
        <message>
            <source>'{}', which stands for '{}' and is no number</source>
            <translation>„{}“, das für „{}“ steht und keine Zahl ist</translation>
        </message>
        <message>
            <source>'{}', whose ending tells no form</source>
            <translation>„{}“, dessen Endung keine Form nennt</translation>
        </message>
        <message>
            <source>'{}': a kind of {}, and at most {} of each</source>
            <translation>„{}“: eine Art von {}, und höchstens {} von jeder</translation>
        </message>
        <message>
            <source>'{}': only a source has a rate of its own</source>
            <translation>„{}“: nur eine Quelle hat eine eigene Rate</translation>
        </message>
        <message>
            <source>(1 + seg1) × data prescaler ÷ f, not before the node delay is over</source>
            <translation>(1 + seg1) × Datenvorteiler ÷ f, nicht bevor die Knotenverzögerung vorüber ist</translation>
        </message>
        <message>
            <source>(1 + seg1) ÷ quanta, nearest to {}{}</source>
            <translation>(1 + seg1) ÷ Quanten, am nächsten an {}{}</translation>
        </message>
        <message>
            <source>(1 − longer half − shift) ÷ rate + held + trace − the port's hold, not below 0</source>
            <translation>(1 − längere Hälfte − Verschiebung) ÷ Rate + gehalten + Leiterbahn − Haltezeit des Ports, nicht unter 0</translation>
        </message>
        <message>
            <source>(R + R_in) × C × ln(2^(bits + 2)), for a quarter of the least bit</source>
            <translation>(R + R_in) × C × ln(2^(Bits + 2)), für ein Viertel des kleinsten Bits</translation>
        </message>
        <message>
            <source>(SJW_D − max(0, BRP_N/BRP_D − 1)) ÷ (2 ((2 NBT − PS2) BRP_N/BRP_D + PS2_D + 4 DBT))</source>
            <translation>(SJW_D − max(0, BRP_N/BRP_D − 1)) ÷ (2 ((2 NBT − PS2) BRP_N/BRP_D + PS2_D + 4 DBT))</translation>
        </message>
        <message>
            <source>(asked × {} − cycles of a call) ÷ cycles a turn</source>
            <translation>(verlangt × {} − Zyklen eines Aufrufs) ÷ Zyklen je Durchlauf</translation>
        </message>
        <message>
            <source>(asked ÷ repeats − late) × f</source>
            <translation>(verlangt ÷ Wiederholungen − Verspätung) × f</translation>
        </message>
        <message>
            <source>(command 8 + address {} + dummy + bytes × 8 ÷ lanes) ÷ rate</source>
            <translation>(Befehl 8 + Adresse {} + leer + Bytes × 8 ÷ Leitungen) ÷ Rate</translation>
        </message>
        <message>
            <source>(got − asked) × periods in an hour</source>
            <translation>(erreicht − verlangt) × Perioden in einer Stunde</translation>
        </message>
        <message>
            <source>(handler + entry + exit) ÷ slowest core</source>
            <translation>(Behandlung + Eintritt + Austritt) ÷ langsamster Kern</translation>
        </message>
        <message>
            <source>(last − first) ÷ intervals</source>
            <translation>(letzte − erste) ÷ Abstände</translation>
        </message>
        <message>
            <source>(periods that a feed takes + prescaler, which goes on) ÷ f</source>
            <translation>(Perioden, die ein Füttern braucht, + Vorteiler, der weiterläuft) ÷ f</translation>
        </message>
        <message>
            <source>(prescaler × counts + fixed) ÷ f</source>
            <translation>(Vorteiler × Zählschritte + fest) ÷ f</translation>
        </message>
        <message>
            <source>(sampling + conversion) ÷ converter's clock</source>
            <translation>(Abtasten + Wandlung) ÷ Takt des Wandlers</translation>
        </message>
        <message>
            <source>(shorter half + shift) ÷ rate, not before the data stand</source>
            <translation>(kürzere Hälfte + Verschiebung) ÷ Rate, nicht bevor die Daten stehen</translation>
        </message>
        <message>
            <source>(turns × cycles a turn + cycles of a call) ÷ {}</source>
            <translation>(Durchläufe × Zyklen je Durchlauf + Zyklen eines Aufrufs) ÷ {}</translation>
        </message>
        <message>
            <source>({} + {}) ÷ {}, {} bit</source>
            <translation>({} + {}) ÷ {}, {} Bit</translation>
        </message>
        <message>
            <source>, %1 on average, %2</source>
            <translation>, %1 im Mittel, %2</translation>
        </message>
        <message numerus="yes">
            <source>, %n edges</source>
            <translation>
                <numerusform>, %n Flanke</numerusform>
                <numerusform>, %n Flanken</numerusform>
            </translation>
        </message>
        <message>
            <source>, a slip</source>
            <translation>, ein Versehen</translation>
        </message>
        <message>
            <source>, an unknown time</source>
            <translation>, eine unbekannte Zeit</translation>
        </message>
        <message>
            <source>, and counts on while the plan rests for {} in {}</source>
            <translation>, und zählt weiter, während der Plan {} lang in {} ruht</translation>
        </message>
        <message>
            <source>, and it may begin {} late</source>
            <translation>, und es darf {} zu spät beginnen</translation>
        </message>
        <message>
            <source>, and it may not begin late at all</source>
            <translation>, und es darf gar nicht zu spät beginnen</translation>
        </message>
        <message>
            <source>, and the management bus asks at least 10 kHz</source>
            <translation>, und der Managementbus verlangt mindestens 10 kHz</translation>
        </message>
        <message>
            <source>, as none is asked</source>
            <translation>, da keine verlangt ist</translation>
        </message>
        <message>
            <source>, at least %1</source>
            <translation>, mindestens %1</translation>
        </message>
        <message>
            <source>, at most %1</source>
            <translation>, höchstens %1</translation>
        </message>
        <message>
            <source>, breaks </source>
            <translation>, bricht </translation>
        </message>
        <message>
            <source>, broken: {}</source>
            <translation>, gebrochen: {}</translation>
        </message>
        <message>
            <source>, changed since</source>
            <translation>, seither geändert</translation>
        </message>
        <message>
            <source>, high bits</source>
            <translation>, hohe Bits</translation>
        </message>
        <message>
            <source>, if possible</source>
            <translation>, wenn möglich</translation>
        </message>
        <message>
            <source>, its bytes swapped</source>
            <translation>, seine Bytes vertauscht</translation>
        </message>
        <message>
            <source>, kept</source>
            <translation>, behalten</translation>
        </message>
        <message>
            <source>, less an edge off by {} of a bit</source>
            <translation>, abzüglich einer Flanke, die um {} eines Bits daneben liegt</translation>
        </message>
        <message>
            <source>, less than half of the {} asked</source>
            <translation>, weniger als die Hälfte der verlangten {}</translation>
        </message>
        <message>
            <source>, low bits</source>
            <translation>, niedrige Bits</translation>
        </message>
        <message>
            <source>, middle bits</source>
            <translation>, mittlere Bits</translation>
        </message>
        <message>
            <source>, never rests</source>
            <translation>, ruht nie</translation>
        </message>
        <message>
            <source>, not acknowledged</source>
            <translation>, nicht bestätigt</translation>
        </message>
        <message>
            <source>, not later than the {} between feeds</source>
            <translation>, nicht später als die {} zwischen zweimal Füttern</translation>
        </message>
        <message>
            <source>, not saved</source>
            <translation>, nicht gespeichert</translation>
        </message>
        <message>
            <source>, over all of them a period of %1</source>
            <translation>, über alle hinweg eine Periode von %1</translation>
        </message>
        <message>
            <source>, predicted %1</source>
            <translation>, vorhergesagt %1</translation>
        </message>
        <message>
            <source>, predicted %1 in %2</source>
            <translation>, vorhergesagt %1 in %2</translation>
        </message>
        <message>
            <source>, rests in %1</source>
            <translation>, ruht in %1</translation>
        </message>
        <message>
            <source>, selected by {}</source>
            <translation>, ausgewählt durch {}</translation>
        </message>
        <message>
            <source>, take %1</source>
            <translation>, Fassung %1</translation>
        </message>
        <message>
            <source>, the other way round</source>
            <translation>, andersherum</translation>
        </message>
        <message>
            <source>, trace and set-up included</source>
            <translation>, Leiterbahn und Setup-Zeit eingeschlossen</translation>
        </message>
        <message>
            <source>, up to %1</source>
            <translation>, bis zu %1</translation>
        </message>
        <message>
            <source>, with this prescaler more than the port can compensate: left off</source>
            <translation>, mit diesem Vorteiler mehr, als der Port ausgleichen kann: weggelassen</translation>
        </message>
        <message>
            <source>../firmware/clocks.h as header, take %1</source>
            <translation>../firmware/clocks.h as header, take %1</translation>
        </message>
        <message>
            <source>0 Hz</source>
            <translation>0 Hz</translation>
        </message>
        <message>
            <source>0 clears</source>
            <translation>0 löscht</translation>
        </message>
        <message>
            <source>0 clears it</source>
            <translation>0 löscht es</translation>
        </message>
        <message>
            <source>1 clears</source>
            <translation>1 löscht</translation>
        </message>
        <message>
            <source>1 clears it</source>
            <translation>1 löscht es</translation>
        </message>
        <message>
            <source>1 line behind the plan</source>
            <translation>1 Zeile hinter dem Plan</translation>
        </message>
        <message>
            <source>1 line outside its limits</source>
            <translation>1 Leitung außerhalb ihrer Grenzen</translation>
        </message>
        <message>
            <source>1 or more: how many times the typical figure the largest is taken as</source>
            <translation>1 oder mehr: das Wievielfache der typischen Angabe als größte gilt</translation>
        </message>
        <message>
            <source>1 sets</source>
            <translation>1 setzt</translation>
        </message>
        <message>
            <source>1 ÷ (one channel × channels × oversampling)</source>
            <translation>1 ÷ (ein Kanal × Kanäle × Überabtastung)</translation>
        </message>
        <message>
            <source>1 ÷ (one channel × channels)</source>
            <translation>1 ÷ (ein Kanal × Kanäle)</translation>
        </message>
        <message>
            <source>1 ÷ counts</source>
            <translation>1 ÷ Zählschritte</translation>
        </message>
        <message>
            <source>1 ÷ period</source>
            <translation>1 ÷ Periode</translation>
        </message>
        <message>
            <source>2 × (node delay + cable × 5 ns/m), in quanta rounded up</source>
            <translation>2 × (Knotenverzögerung + Kabel × 5 ns/m), in Quanten, aufgerundet</translation>
        </message>
        <message>
            <source>2^bits − counts</source>
            <translation>2^Bits − Zählschritte</translation>
        </message>
        <message>
            <source>5 or more: a crystal of less load or less resistance</source>
            <translation>5 oder mehr: ein Quarz mit weniger Last oder weniger Widerstand</translation>
        </message>
        <message>
            <source>: %1</source>
            <translation>: %1</translation>
        </message>
        <message>
            <source>: %1 would move</source>
            <translation>: %1 würde sich bewegen</translation>
        </message>
        <message>
            <source>: forgotten most often</source>
            <translation>: am häufigsten vergessen</translation>
        </message>
        <message>
            <source>: of E12 %1, of E24 %2</source>
            <translation>: aus E12 %1, aus E24 %2</translation>
        </message>
        <message>
            <source>: these are the best of all that leave promises that are kept now on their inputs</source>
            <translation>: dies sind die besten von allen, die jetzt gehaltene Zusagen auf ihren Eingängen lassen</translation>
        </message>
        <message>
            <source>; a faster clock adds none</source>
            <translation>; ein schnellerer Takt fügt keine hinzu</translation>
        </message>
        <message>
            <source>; click one to see what its absence saves</source>
            <translation>; ein Klick zeigt, was sein Fehlen spart</translation>
        </message>
        <message>
            <source>; expected </source>
            <translation>; erwartet: </translation>
        </message>
        <message>
            <source>; finer, it would wrap too soon</source>
            <translation>; feiner liefe er zu früh über</translation>
        </message>
        <message>
            <source>; it is not written over unless you say so</source>
            <translation>; sie wird nicht überschrieben, außer Sie sagen es</translation>
        </message>
        <message>
            <source>; its dividers make no 1 Hz of {}</source>
            <translation>; seine Teiler machen aus {} kein 1 Hz</translation>
        </message>
        <message>
            <source>; measured %1</source>
            <translation>; gemessen %1</translation>
        </message>
        <message>
            <source>; nearest: </source>
            <translation>; am nächsten: </translation>
        </message>
        <message>
            <source>; off</source>
            <translation>; aus</translation>
        </message>
        <message>
            <source>; safe is %1</source>
            <translation>; sicher ist %1</translation>
        </message>
        <message>
            <source>; say how long the device holds them, 'held 2 ns'</source>
            <translation>; sagen Sie, wie lange das Gerät sie hält: 'held 2 ns'</translation>
        </message>
        <message>
            <source>; the port compensates with data prescalers {} to {} and the offsets that it has alone</source>
            <translation>; der Port gleicht mit Datenvorteilern von {} bis {} und den Versätzen aus, die er allein hat</translation>
        </message>
        <message>
            <source>; this port has no delay compensation</source>
            <translation>; dieser Port hat keinen Verzögerungsausgleich</translation>
        </message>
        <message>
            <source>; trim code %1: %2, %3</source>
            <translation>; Abgleichcode %1: %2, %3</translation>
        </message>
        <message>
            <source>; twice the clock: {}, {}</source>
            <translation>; das Doppelte des Takts: {}, {}</translation>
        </message>
        <message>
            <source>&lt;peripherals&gt; with &lt;registers&gt;</source>
            <translation>&lt;peripherals&gt; mit &lt;registers&gt;</translation>
        </message>
        <message>
            <source>A bit in quanta</source>
            <translation>Ein Bit in Quanten</translation>
        </message>
        <message>
            <source>A bit of the data phase</source>
            <translation>Ein Bit der Datenphase</translation>
        </message>
        <message>
            <source>A bit of the nominal phase</source>
            <translation>Ein Bit der Nominalphase</translation>
        </message>
        <message>
            <source>A broken ring is broken. Select modem, and press try behind a way out that breaks nothing else.</source>
            <translation>Ein offener Ring ist gebrochen. Wählen Sie modem, und drücken Sie „probieren“ hinter einem Ausweg, der nichts anderes bricht.</translation>
        </message>
        <message>
            <source>A capture</source>
            <translation>Eine Aufzeichnung</translation>
        </message>
        <message>
            <source>A cycle of the clock line</source>
            <translation>Ein Zyklus der Taktleitung</translation>
        </message>
        <message>
            <source>A description of its registers?</source>
            <translation>Eine Beschreibung seiner Register?</translation>
        </message>
        <message>
            <source>A fault of this program: %1. What is not saved is written aside; save it elsewhere (Ctrl+Shift+S), or undo the last edit (Ctrl+Z).</source>
            <translation>Ein Fehler dieses Programms: %1. Was nicht gespeichert ist, ist beiseitegeschrieben; speichern Sie es anderswo (Strg+Umschalt+S), oder machen Sie die letzte Änderung rückgängig (Strg+Z).</translation>
        </message>
        <message>
            <source>A file more</source>
            <translation>Noch eine Datei</translation>
        </message>
        <message>
            <source>A folder into which captures are written</source>
            <translation>Ein Ordner, in den Aufzeichnungen geschrieben werden</translation>
        </message>
        <message>
            <source>A line</source>
            <translation>Eine Leitung</translation>
        </message>
        <message>
            <source>A line from %1</source>
            <translation>Eine Leitung von %1</translation>
        </message>
        <message>
            <source>A new part</source>
            <translation>Ein neuer Baustein</translation>
        </message>
        <message>
            <source>A new part needs an id and no errors before it has a file.</source>
            <translation>Ein neuer Baustein braucht eine Kennung und keine Fehler, bevor er eine Datei bekommt.</translation>
        </message>
        <message>
            <source>A peripheral</source>
            <translation>Eine Peripherie</translation>
        </message>
        <message>
            <source>A peripheral like %1</source>
            <translation>Eine Peripherie wie %1</translation>
        </message>
        <message>
            <source>A simulated board plays the plan: Alt+6, then Ctrl+Alt+B. What is measured lies over what is predicted.</source>
            <translation>Eine nachgebildete Platine spielt den Plan ab: Alt+6, dann Strg+Alt+B. Was gemessen wird, liegt über dem Vorhergesagten.</translation>
        </message>
        <message>
            <source>A source</source>
            <translation>Eine Quelle</translation>
        </message>
        <message>
            <source>A step down</source>
            <translation>Einen Schritt abwärts</translation>
        </message>
        <message>
            <source>A step up</source>
            <translation>Einen Schritt aufwärts</translation>
        </message>
        <message>
            <source>A table is matched to what the part has: mend its errors first.</source>
            <translation>Eine Tabelle wird dem zugeordnet, was der Baustein hat: Beheben Sie zuerst seine Fehler.</translation>
        </message>
        <message>
            <source>A tour of seven steps</source>
            <translation>Eine Führung in sieben Schritten</translation>
        </message>
        <message>
            <source>A tour of seven steps on the example</source>
            <translation>Eine Führung in sieben Schritten am Beispiel</translation>
        </message>
        <message>
            <source>Add</source>
            <translation>Hinzufügen</translation>
        </message>
        <message>
            <source>Address and port</source>
            <translation>Adresse und Port</translation>
        </message>
        <message>
            <source>After it wakes</source>
            <translation>Nachdem er aufwacht</translation>
        </message>
        <message>
            <source>Again and again</source>
            <translation>Immer wieder</translation>
        </message>
        <message>
            <source>All commands</source>
            <translation>Alle Befehle</translation>
        </message>
        <message>
            <source>All that was done</source>
            <translation>Alles, was getan wurde</translation>
        </message>
        <message>
            <source>All that was done: go back to any of it</source>
            <translation>Alles, was getan wurde: zu jedem Stand zurück</translation>
        </message>
        <message>
            <source>An instrument or a serial line, live</source>
            <translation>Ein Messgerät oder eine serielle Leitung, live</translation>
        </message>
        <message>
            <source>Another window</source>
            <translation>Noch ein Fenster</translation>
        </message>
        <message>
            <source>Around the rate that is asked</source>
            <translation>Um die verlangte Rate herum</translation>
        </message>
        <message>
            <source>As a new take</source>
            <translation>Als neue Fassung</translation>
        </message>
        <message>
            <source>As found</source>
            <translation>Wie vorgefunden</translation>
        </message>
        <message>
            <source>Ask</source>
            <translation>Fragen</translation>
        </message>
        <message>
            <source>Average current</source>
            <translation>Mittlerer Strom</translation>
        </message>
        <message>
            <source>Average over how often %1 comes</source>
            <translation>Mittel danach, wie oft %1 kommt</translation>
        </message>
        <message>
            <source>Average over temperature</source>
            <translation>Mittel über der Temperatur</translation>
        </message>
        <message>
            <source>Battery</source>
            <translation>Batterie</translation>
        </message>
        <message>
            <source>Before it rests</source>
            <translation>Bevor er ruht</translation>
        </message>
        <message>
            <source>Begin a plan</source>
            <translation>Einen Plan beginnen</translation>
        </message>
        <message>
            <source>Begin a plan on a part</source>
            <translation>Einen Plan auf einem Baustein beginnen</translation>
        </message>
        <message>
            <source>Begin the part</source>
            <translation>Den Baustein beginnen</translation>
        </message>
        <message>
            <source>Below, the ripple shows all that moved. Keep it: Ctrl+Enter.</source>
            <translation>Unten zeigt die Auswirkung alles, was sich bewegt hat. Behalten Sie es: Strg+Enter.</translation>
        </message>
        <message>
            <source>Bench</source>
            <translation>Messplatz</translation>
        </message>
        <message>
            <source>Bench, live</source>
            <translation>Messplatz, live</translation>
        </message>
        <message>
            <source>Bench: what was measured</source>
            <translation>Messplatz: was gemessen wurde</translation>
        </message>
        <message>
            <source>Bit rate</source>
            <translation>Bitrate</translation>
        </message>
        <message>
            <source>Board</source>
            <translation>Platine</translation>
        </message>
        <message>
            <source>By chance</source>
            <translation>Dem Zufall nach</translation>
        </message>
        <message>
            <source>C0</source>
            <translation>C0</translation>
        </message>
        <message>
            <source>C1</source>
            <translation>C1</translation>
        </message>
        <message>
            <source>Call it otherwise</source>
            <translation>Anders nennen</translation>
        </message>
        <message>
            <source>Can be set</source>
            <translation>Einstellbar</translation>
        </message>
        <message>
            <source>Cancel</source>
            <translation>Abbrechen</translation>
        </message>
        <message>
            <source>Cancelled before anything was found.</source>
            <translation>Abgebrochen, bevor etwas gefunden war.</translation>
        </message>
        <message>
            <source>Cancelled: there may be better ones.</source>
            <translation>Abgebrochen: es mag bessere geben.</translation>
        </message>
        <message>
            <source>Captures (*.vcd *.csv *.tsv *.txt)</source>
            <translation>Aufzeichnungen (*.vcd *.csv *.tsv *.txt)</translation>
        </message>
        <message>
            <source>Change it</source>
            <translation>Ändern</translation>
        </message>
        <message>
            <source>Change the job</source>
            <translation>Die Aufgabe ändern</translation>
        </message>
        <message>
            <source>Change the line</source>
            <translation>Die Zeile ändern</translation>
        </message>
        <message>
            <source>Change the option of %1</source>
            <translation>Die Option von %1 ändern</translation>
        </message>
        <message>
            <source>Chapter of the datasheet</source>
            <translation>Kapitel des Datenblatts</translation>
        </message>
        <message>
            <source>Charging through the source</source>
            <translation>Laden über die Quelle</translation>
        </message>
        <message>
            <source>Choose a capture above, drop one here, or play a simulated board</source>
            <translation>Wählen Sie oben eine Aufzeichnung, ziehen Sie eine hierher, oder spielen Sie eine nachgebildete Platine ab</translation>
        </message>
        <message>
            <source>Clocks</source>
            <translation>Takte</translation>
        </message>
        <message>
            <source>Close</source>
            <translation>Schließen</translation>
        </message>
        <message>
            <source>Close the list</source>
            <translation>Liste schließen</translation>
        </message>
        <message>
            <source>Close the window</source>
            <translation>Fenster schließen</translation>
        </message>
        <message>
            <source>Colours</source>
            <translation>Farben</translation>
        </message>
        <message>
            <source>Command</source>
            <translation>Befehl</translation>
        </message>
        <message>
            <source>Commands</source>
            <translation>Befehle</translation>
        </message>
        <message>
            <source>Complete: all of {} takes were looked at or excluded by bound; none is better.</source>
            <translation>Vollständig: alle {} Fassungen wurden angesehen oder durch Schranken ausgeschlossen; keine ist besser.</translation>
        </message>
        <message>
            <source>Complete: no take keeps all of this.</source>
            <translation>Vollständig: keine Fassung hält all das.</translation>
        </message>
        <message>
            <source>Connect</source>
            <translation>Verbinden</translation>
        </message>
        <message>
            <source>Contents</source>
            <translation>Inhalt</translation>
        </message>
        <message>
            <source>Control of the row</source>
            <translation>Einstellung der Zeile</translation>
        </message>
        <message>
            <source>Copied as a picture, as SVG and as a table</source>
            <translation>Als Bild, als SVG und als Tabelle kopiert</translation>
        </message>
        <message>
            <source>Copy as picture, SVG and table</source>
            <translation>Als Bild, SVG und Tabelle kopieren</translation>
        </message>
        <message>
            <source>Copy it</source>
            <translation>Kopieren</translation>
        </message>
        <message>
            <source>Copy the clocks as SVG</source>
            <translation>Takte als SVG kopieren</translation>
        </message>
        <message>
            <source>Copy the clocks as a picture</source>
            <translation>Takte als Bild kopieren</translation>
        </message>
        <message>
            <source>Copy the line</source>
            <translation>Die Zeile kopieren</translation>
        </message>
        <message>
            <source>Costs</source>
            <translation>Kostet</translation>
        </message>
        <message>
            <source>Ctrl+Shift+P all commands</source>
            <translation>Strg+Umschalt+P alle Befehle</translation>
        </message>
        <message>
            <source>Cut {}; there may be better ones among {} takes.</source>
            <translation>Abgebrochen {}; unter {} Fassungen mag es bessere geben.</translation>
        </message>
        <message>
            <source>Delete it</source>
            <translation>Löschen</translation>
        </message>
        <message>
            <source>Desk of the promise</source>
            <translation>Pult der Zusage</translation>
        </message>
        <message>
            <source>Digits of the vitals</source>
            <translation>Stellen der Kennwerte</translation>
        </message>
        <message>
            <source>Do not rest</source>
            <translation>Nicht ruhen</translation>
        </message>
        <message>
            <source>Done at the latest</source>
            <translation>Spätestens fertig</translation>
        </message>
        <message>
            <source>Drop a capture here (.vcd, .csv), or play a simulated board</source>
            <translation>Ziehen Sie eine Aufzeichnung hierher (.vcd, .csv), oder spielen Sie eine nachgebildete Platine ab</translation>
        </message>
        <message>
            <source>Each row of the table says what it would change, or why it stays out.</source>
            <translation>Jede Zeile der Tabelle sagt, was sie ändern würde, oder warum sie draußen bleibt.</translation>
        </message>
        <message>
            <source>Edit the part</source>
            <translation>Baustein bearbeiten</translation>
        </message>
        <message>
            <source>End the tour</source>
            <translation>Führung beenden</translation>
        </message>
        <message>
            <source>Enter</source>
            <translation>Enter</translation>
        </message>
        <message>
            <source>Enter notes: %1</source>
            <translation>Enter vermerkt: %1</translation>
        </message>
        <message>
            <source>Error at the common rates</source>
            <translation>Fehler bei den üblichen Raten</translation>
        </message>
        <message>
            <source>Esc</source>
            <translation>Esc</translation>
        </message>
        <message>
            <source>Faults of the file</source>
            <translation>Fehler der Datei</translation>
        </message>
        <message>
            <source>Faults of the part</source>
            <translation>Fehler des Bausteins</translation>
        </message>
        <message>
            <source>Fed by %1</source>
            <translation>Gefüttert von %1</translation>
        </message>
        <message>
            <source>Field</source>
            <translation>Feld</translation>
        </message>
        <message>
            <source>Field sought</source>
            <translation>Gesuchtes Feld</translation>
        </message>
        <message>
            <source>Fields</source>
            <translation>Felder</translation>
        </message>
        <message>
            <source>Fields: %1 from %2</source>
            <translation>Felder: %1 aus %2</translation>
        </message>
        <message>
            <source>Fields: the part names no description of its registers</source>
            <translation>Felder: Der Baustein nennt keine Beschreibung seiner Register</translation>
        </message>
        <message>
            <source>Figures</source>
            <translation>Werte</translation>
        </message>
        <message>
            <source>Find in all pages</source>
            <translation>In allen Seiten suchen</translation>
        </message>
        <message>
            <source>Find in the view, or a clock</source>
            <translation>In der Ansicht finden, oder einen Takt</translation>
        </message>
        <message>
            <source>First: what everything hangs on</source>
            <translation>Zuerst: woran alles hängt</translation>
        </message>
        <message>
            <source>Fit the axis</source>
            <translation>Achse einpassen</translation>
        </message>
        <message>
            <source>Fold or unfold</source>
            <translation>Zu- oder aufklappen</translation>
        </message>
        <message>
            <source>Fold or unfold the branch</source>
            <translation>Zweig zu- oder aufklappen</translation>
        </message>
        <message>
            <source>Folder for your own parts, from the next start on</source>
            <translation>Ordner für eigene Bausteine, ab dem nächsten Start</translation>
        </message>
        <message>
            <source>Forget them</source>
            <translation>Vergessen</translation>
        </message>
        <message>
            <source>Found takes</source>
            <translation>Gefundene Fassungen</translation>
        </message>
        <message>
            <source>Four periods</source>
            <translation>Vier Perioden</translation>
        </message>
        <message>
            <source>Free it: the best way is taken</source>
            <translation>Freigeben: der beste Weg wird genommen</translation>
        </message>
        <message>
            <source>From %1 to take %2</source>
            <translation>Von %1 zu Fassung %2</translation>
        </message>
        <message>
            <source>From one count to the wrap</source>
            <translation>Von einem Zählschritt bis zum Überlauf</translation>
        </message>
        <message>
            <source>From the datasheet</source>
            <translation>Aus dem Datenblatt</translation>
        </message>
        <message>
            <source>From the event until everything holds again</source>
            <translation>Vom Ereignis, bis alles wieder gilt</translation>
        </message>
        <message>
            <source>Go to %1</source>
            <translation>Zu %1</translation>
        </message>
        <message>
            <source>Go to the menus</source>
            <translation>Zu den Menüs</translation>
        </message>
        <message>
            <source>Go to the promises</source>
            <translation>Zu den Zusagen</translation>
        </message>
        <message>
            <source>Go to the vitals</source>
            <translation>Zu den Kennwerten</translation>
        </message>
        <message>
            <source>Go to the workings</source>
            <translation>Zum Rechenweg</translation>
        </message>
        <message>
            <source>Goes on</source>
            <translation>Läuft weiter</translation>
        </message>
        <message>
            <source>Handover</source>
            <translation>Übergabe</translation>
        </message>
        <message>
            <source>Help</source>
            <translation>Hilfe</translation>
        </message>
        <message>
            <source>Help on what has the focus</source>
            <translation>Hilfe zu dem, was den Fokus hat</translation>
        </message>
        <message>
            <source>Hide or show what is off</source>
            <translation>Zeigen oder verbergen, was aus ist</translation>
        </message>
        <message>
            <source>High contrast</source>
            <translation>Hoher Kontrast</translation>
        </message>
        <message>
            <source>How cold and hot may it be?</source>
            <translation>Wie kalt und warm darf es sein?</translation>
        </message>
        <message>
            <source>How far each node may be off</source>
            <translation>Wie weit jeder Knoten daneben liegen darf</translation>
        </message>
        <message>
            <source>How far it strays</source>
            <translation>Wie weit sie abweicht</translation>
        </message>
        <message>
            <source>How long to wait for an answer</source>
            <translation>Wie lange auf eine Antwort gewartet wird</translation>
        </message>
        <message>
            <source>How many buses?</source>
            <translation>Wie viele Busse?</translation>
        </message>
        <message>
            <source>How many multipliers?</source>
            <translation>Wie viele Vervielfacher?</translation>
        </message>
        <message>
            <source>How many of kind %1</source>
            <translation>Wie viele der Art %1</translation>
        </message>
        <message>
            <source>How many outputs has each?</source>
            <translation>Wie viele Ausgänge hat jeder?</translation>
        </message>
        <message>
            <source>If %1 fails</source>
            <translation>Wenn %1 ausfällt</translation>
        </message>
        <message>
            <source>In each mode</source>
            <translation>In jedem Modus</translation>
        </message>
        <message>
            <source>Insert adds a job, Enter edits one; drag a run, its end, with Shift its period</source>
            <translation>Einfg: neue Aufgabe, Enter ändert sie; ziehen: ein Lauf, sein Ende, mit Umschalt seine Periode</translation>
        </message>
        <message>
            <source>Instrument</source>
            <translation>Messgerät</translation>
        </message>
        <message>
            <source>It leaves a fault: {}</source>
            <translation>Ein Fehler bleibt: {}</translation>
        </message>
        <message>
            <source>It leaves {} faults, first: {}</source>
            <translation>Es bleiben {} Fehler, zuerst: {}</translation>
        </message>
        <message>
            <source>Jobs</source>
            <translation>Aufgaben</translation>
        </message>
        <message>
            <source>Keep</source>
            <translation>Behalten</translation>
        </message>
        <message>
            <source>Keep mine</source>
            <translation>Meines behalten</translation>
        </message>
        <message>
            <source>Keep the capture beside the plan, or no longer</source>
            <translation>Die Aufzeichnung beim Plan behalten, oder nicht mehr</translation>
        </message>
        <message>
            <source>Keys</source>
            <translation>Tasten</translation>
        </message>
        <message>
            <source>Keys of commands</source>
            <translation>Tasten der Befehle</translation>
        </message>
        <message>
            <source>Language, from the next start on</source>
            <translation>Sprache, ab dem nächsten Start</translation>
        </message>
        <message>
            <source>Larger letters</source>
            <translation>Größere Schrift</translation>
        </message>
        <message>
            <source>Lay its record on the bench</source>
            <translation>Ihre Aufzeichnung auf den Messplatz legen</translation>
        </message>
        <message>
            <source>Left is what the firmware promises. A half disc is strained: select the promise feed, and read right why.</source>
            <translation>Links steht, was die Firmware zusagt. Eine halbe Scheibe ist knapp: wählen Sie die Zusage feed, und lesen Sie rechts, warum.</translation>
        </message>
        <message>
            <source>Let messages fade</source>
            <translation>Meldungen ausblenden lassen</translation>
        </message>
        <message>
            <source>Letters</source>
            <translation>Schrift</translation>
        </message>
        <message>
            <source>Life over how often %1 comes</source>
            <translation>Lebensdauer danach, wie oft %1 kommt</translation>
        </message>
        <message>
            <source>Life over temperature</source>
            <translation>Lebensdauer über der Temperatur</translation>
        </message>
        <message>
            <source>Life over the core's rate of %1</source>
            <translation>Lebensdauer über der Kernrate von %1</translation>
        </message>
        <message>
            <source>Lifted alone it would help</source>
            <translation>Allein aufgehoben hülfe es</translation>
        </message>
        <message>
            <source>Light or dark</source>
            <translation>Hell oder dunkel</translation>
        </message>
        <message>
            <source>Line of %1</source>
            <translation>Zeile von %1</translation>
        </message>
        <message>
            <source>Line of the job</source>
            <translation>Zeile der Aufgabe</translation>
        </message>
        <message>
            <source>Line to be sent</source>
            <translation>Zu sendende Zeile</translation>
        </message>
        <message>
            <source>Lock or free the clock</source>
            <translation>Takt sperren oder freigeben</translation>
        </message>
        <message>
            <source>Log</source>
            <translation>Protokoll</translation>
        </message>
        <message>
            <source>Looking…</source>
            <translation>Sucht…</translation>
        </message>
        <message>
            <source>M: its promise   R: read it</source>
            <translation>M: ihre Zusage   R: lesen</translation>
        </message>
        <message>
            <source>Make take %1 active</source>
            <translation>Fassung %1 aktiv machen</translation>
        </message>
        <message>
            <source>May wake it</source>
            <translation>Kann ihn wecken</translation>
        </message>
        <message>
            <source>Message memory</source>
            <translation>Nachrichtenspeicher</translation>
        </message>
        <message>
            <source>Modes</source>
            <translation>Modi</translation>
        </message>
        <message>
            <source>Modes of the part</source>
            <translation>Modi des Bausteins</translation>
        </message>
        <message>
            <source>Move it left</source>
            <translation>Nach links schieben</translation>
        </message>
        <message>
            <source>Move it right</source>
            <translation>Nach rechts schieben</translation>
        </message>
        <message>
            <source>NAME = value, or an address and values</source>
            <translation>NAME = Wert, oder eine Adresse und Werte</translation>
        </message>
        <message>
            <source>Name of the take</source>
            <translation>Name der Fassung</translation>
        </message>
        <message>
            <source>Needles of the next take as ghosts</source>
            <translation>Zeiger der nächsten Fassung schattenhaft</translation>
        </message>
        <message>
            <source>Neither {} nor {} can</source>
            <translation>Weder {} noch {} kann</translation>
        </message>
        <message>
            <source>New job</source>
            <translation>Neue Aufgabe</translation>
        </message>
        <message>
            <source>New part</source>
            <translation>Neuer Baustein</translation>
        </message>
        <message>
            <source>New part by a few questions</source>
            <translation>Neuer Baustein durch ein paar Fragen</translation>
        </message>
        <message>
            <source>New plan</source>
            <translation>Neuer Plan</translation>
        </message>
        <message>
            <source>New plan: the parts shelf</source>
            <translation>Neuer Plan: das Bausteinregal</translation>
        </message>
        <message>
            <source>New take</source>
            <translation>Neue Fassung</translation>
        </message>
        <message>
            <source>Next take</source>
            <translation>Nächste Fassung</translation>
        </message>
        <message>
            <source>No clock is shown: nothing fits the filter</source>
            <translation>Kein Takt wird gezeigt: nichts passt zum Filter</translation>
        </message>
        <message>
            <source>No errors: the clocks follow.</source>
            <translation>Keine Fehler: die Takte folgen.</translation>
        </message>
        <message>
            <source>No faults, nothing suspicious: the clocks follow.</source>
            <translation>Keine Fehler, nichts Verdächtiges: die Takte folgen.</translation>
        </message>
        <message>
            <source>No file is made from the plan yet: type one below, such as ../firmware/clocks.h</source>
            <translation>Noch wird keine Datei aus dem Plan gemacht: tippen Sie unten eine, etwa ../firmware/clocks.h</translation>
        </message>
        <message>
            <source>No id stands here.</source>
            <translation>Hier steht keine Kennung.</translation>
        </message>
        <message>
            <source>None of {} can</source>
            <translation>Keines von {} kann</translation>
        </message>
        <message>
            <source>Note what explains it in the plan</source>
            <translation>Was es erklärt, im Plan vermerken</translation>
        </message>
        <message>
            <source>Nothing fits: these can't be kept together</source>
            <translation>Nichts passt: diese lassen sich nicht zusammen halten</translation>
        </message>
        <message>
            <source>Nothing fits: this can't be kept</source>
            <translation>Nichts passt: dies lässt sich nicht halten</translation>
        </message>
        <message>
            <source>Nothing here explains it</source>
            <translation>Nichts hier erklärt es</translation>
        </message>
        <message>
            <source>Nothing is asked yet. Type a wish such as core = 160 MHz, or drop a clock or a promise on the left.</source>
            <translation>Noch ist nichts gefragt. Tippen Sie einen Wunsch wie core = 160 MHz, oder ziehen Sie links einen Takt oder eine Zusage hinein.</translation>
        </message>
        <message>
            <source>Nothing is ever lost: Ctrl+Alt+Z shows all that was done. Go back to how it was opened.</source>
            <translation>Nichts geht je verloren: Strg+Alt+Z zeigt alles, was getan wurde. Gehen Sie zum geöffneten Stand zurück.</translation>
        </message>
        <message>
            <source>Nothing is fitted for %1; with one of these it can be kept</source>
            <translation>Für %1 ist nichts bestückt; mit einem von diesen lässt es sich halten</translation>
        </message>
        <message>
            <source>Nothing is promised yet. Type what the firmware relies on into the line above, such as uart1 talks 115200.</source>
            <translation>Noch ist nichts zugesagt. Tippen Sie in die Zeile oben, worauf sich die Firmware verlässt, etwa uart1 talks 115200.</translation>
        </message>
        <message>
            <source>Nothing is selected</source>
            <translation>Nichts ist ausgewählt</translation>
        </message>
        <message>
            <source>Nothing is to be written.</source>
            <translation>Nichts ist zu schreiben.</translation>
        </message>
        <message>
            <source>Nothing moves.</source>
            <translation>Nichts bewegt sich.</translation>
        </message>
        <message>
            <source>Nothing on the board has these letters</source>
            <translation>Nichts auf der Platine hat diese Buchstaben</translation>
        </message>
        <message>
            <source>Nothing takes its place: what hangs on it stands still.</source>
            <translation>Nichts tritt an seine Stelle: was daran hängt, steht still.</translation>
        </message>
        <message>
            <source>Nothing was found before the search ended: {}.</source>
            <translation>Nichts wurde gefunden, bevor die Suche endete: {}.</translation>
        </message>
        <message>
            <source>One conversion</source>
            <translation>Eine Wandlung</translation>
        </message>
        <message>
            <source>One sample of every channel</source>
            <translation>Ein Wert von jedem Kanal</translation>
        </message>
        <message>
            <source>Only differences, or all</source>
            <translation>Nur Unterschiede, oder alles</translation>
        </message>
        <message>
            <source>Only what feeds the promise, or all</source>
            <translation>Nur was die Zusage speist, oder alles</translation>
        </message>
        <message>
            <source>Open</source>
            <translation>Öffnen</translation>
        </message>
        <message>
            <source>Open a capture (VCD or CSV)</source>
            <translation>Eine Aufzeichnung öffnen (VCD oder CSV)</translation>
        </message>
        <message>
            <source>Open a plan</source>
            <translation>Einen Plan öffnen</translation>
        </message>
        <message>
            <source>Open a plan to lay a capture over it</source>
            <translation>Öffnen Sie einen Plan, um eine Aufzeichnung darüberzulegen</translation>
        </message>
        <message>
            <source>Open a plan to see its board</source>
            <translation>Öffnen Sie einen Plan, um seine Platine zu sehen</translation>
        </message>
        <message>
            <source>Open a plan to see its clocks</source>
            <translation>Öffnen Sie einen Plan, um seine Takte zu sehen</translation>
        </message>
        <message>
            <source>Open a plan to see its jobs</source>
            <translation>Öffnen Sie einen Plan, um seine Aufgaben zu sehen</translation>
        </message>
        <message>
            <source>Open a plan to see its promises</source>
            <translation>Öffnen Sie einen Plan, um seine Zusagen zu sehen</translation>
        </message>
        <message>
            <source>Open a plan to see its sleep modes</source>
            <translation>Öffnen Sie einen Plan, um seine Schlafmodi zu sehen</translation>
        </message>
        <message>
            <source>Open a plan to see its takes</source>
            <translation>Öffnen Sie einen Plan, um seine Fassungen zu sehen</translation>
        </message>
        <message>
            <source>Open a plan to see what is made from it</source>
            <translation>Öffnen Sie einen Plan, um zu sehen, was aus ihm gemacht wird</translation>
        </message>
        <message>
            <source>Open a recent plan</source>
            <translation>Einen früheren Plan öffnen</translation>
        </message>
        <message>
            <source>Open at the start what was open last</source>
            <translation>Beim Start öffnen, was zuletzt offen war</translation>
        </message>
        <message>
            <source>Open before</source>
            <translation>Früher geöffnet</translation>
        </message>
        <message>
            <source>Open the example</source>
            <translation>Das Beispiel öffnen</translation>
        </message>
        <message>
            <source>Open the plan</source>
            <translation>Den Plan öffnen</translation>
        </message>
        <message>
            <source>Option words</source>
            <translation>Optionswörter</translation>
        </message>
        <message>
            <source>Outline</source>
            <translation>Gliederung</translation>
        </message>
        <message>
            <source>Page</source>
            <translation>Seite</translation>
        </message>
        <message>
            <source>Part</source>
            <translation>Baustein</translation>
        </message>
        <message>
            <source>Parts shelf</source>
            <translation>Bausteinregal</translation>
        </message>
        <message>
            <source>Pasted table</source>
            <translation>Eingefügte Tabelle</translation>
        </message>
        <message>
            <source>Pin the selected way, or free it</source>
            <translation>Den gewählten Weg festlegen, oder freigeben</translation>
        </message>
        <message>
            <source>Pin this way</source>
            <translation>Diesen Weg festlegen</translation>
        </message>
        <message>
            <source>Pins</source>
            <translation>Pins</translation>
        </message>
        <message>
            <source>Pins in use</source>
            <translation>Belegte Pins</translation>
        </message>
        <message>
            <source>Plan</source>
            <translation>Plan</translation>
        </message>
        <message>
            <source>Plans (*.plan.toml)</source>
            <translation>Pläne (*.plan.toml)</translation>
        </message>
        <message>
            <source>Play a board that makes a slip</source>
            <translation>Eine Platine mit einem Versehen abspielen</translation>
        </message>
        <message>
            <source>Play a simulated board</source>
            <translation>Eine nachgebildete Platine abspielen</translation>
        </message>
        <message>
            <source>Print the report</source>
            <translation>Bericht drucken</translation>
        </message>
        <message>
            <source>Promise line</source>
            <translation>Zusagezeile</translation>
        </message>
        <message>
            <source>Promise something of your own: Ctrl+L, type uart2 talks 9600 within 2 %, and press Enter.</source>
            <translation>Sagen Sie selbst etwas zu: Strg+L, tippen Sie uart2 talks 9600 within 2 %, und drücken Sie Enter.</translation>
        </message>
        <message>
            <source>Promises</source>
            <translation>Zusagen</translation>
        </message>
        <message>
            <source>Promises that hold</source>
            <translation>Zusagen, die gelten</translation>
        </message>
        <message>
            <source>Quit</source>
            <translation>Beenden</translation>
        </message>
        <message>
            <source>R + t = C + Σ ⌈(R + t) ÷ T⌉ C of the more urgent, due t after a busy time began</source>
            <translation>R + t = C + Σ ⌈(R + t) ÷ T⌉ C der dringenderen, fällig t nach Beginn einer beschäftigten Zeit</translation>
        </message>
        <message>
            <source>R = C + Σ ⌈R ÷ T⌉ C of the more urgent</source>
            <translation>R = C + Σ ⌈R ÷ T⌉ C der dringenderen</translation>
        </message>
        <message>
            <source>Reach</source>
            <translation>Reichweite</translation>
        </message>
        <message>
            <source>Read registers from a file</source>
            <translation>Register aus einer Datei lesen</translation>
        </message>
        <message>
            <source>Reading %1</source>
            <translation>Lesen von %1</translation>
        </message>
        <message>
            <source>Redo</source>
            <translation>Wiederholen</translation>
        </message>
        <message>
            <source>Register or field sought</source>
            <translation>Gesuchtes Register oder Feld</translation>
        </message>
        <message>
            <source>Registers and their fields</source>
            <translation>Register und ihre Felder</translation>
        </message>
        <message>
            <source>Registers read from a board</source>
            <translation>Von einer Platine gelesene Register</translation>
        </message>
        <message>
            <source>Remove</source>
            <translation>Entfernen</translation>
        </message>
        <message>
            <source>Remove the job</source>
            <translation>Die Aufgabe entfernen</translation>
        </message>
        <message>
            <source>Remove the promise</source>
            <translation>Die Zusage entfernen</translation>
        </message>
        <message>
            <source>Rename it</source>
            <translation>Umbenennen</translation>
        </message>
        <message>
            <source>Report for people: .html, .pdf or .md</source>
            <translation>Bericht für Menschen: .html, .pdf oder .md</translation>
        </message>
        <message>
            <source>Rest in %1</source>
            <translation>In %1 ruhen</translation>
        </message>
        <message>
            <source>Rhythm</source>
            <translation>Rhythmus</translation>
        </message>
        <message>
            <source>Rhythm of the jobs</source>
            <translation>Rhythmus der Aufgaben</translation>
        </message>
        <message>
            <source>Ripple</source>
            <translation>Auswirkung</translation>
        </message>
        <message>
            <source>Route all signals</source>
            <translation>Alle Signale legen</translation>
        </message>
        <message>
            <source>Routes to this period</source>
            <translation>Wege zu dieser Periode</translation>
        </message>
        <message>
            <source>SJW ÷ (20 NBT)</source>
            <translation>SJW ÷ (20 NBT)</translation>
        </message>
        <message>
            <source>SJW_D ÷ (20 DBT)</source>
            <translation>SJW_D ÷ (20 DBT)</translation>
        </message>
        <message>
            <source>Save</source>
            <translation>Speichern</translation>
        </message>
        <message>
            <source>Save as</source>
            <translation>Speichern unter</translation>
        </message>
        <message>
            <source>Save elsewhere</source>
            <translation>Anderswo speichern</translation>
        </message>
        <message>
            <source>Save over it</source>
            <translation>Überschreiben</translation>
        </message>
        <message>
            <source>Saved %1</source>
            <translation>%1 gespeichert</translation>
        </message>
        <message>
            <source>Say what the firmware needs: a baud rate, a period, a wake-up, a battery's life. Wise Tick works out exactly what the clock settings of the part give, over temperature and tolerance, and says which promises are kept and why. Where one is broken it finds settings that keep them all, shows what else would move, and writes the code.</source>
            <translation>Sagen Sie, was die Firmware braucht: eine Baudrate, eine Periode, ein Aufwachen, die Lebensdauer einer Batterie. Wise Tick rechnet exakt aus, was die Takteinstellungen des Bausteins ergeben, über Temperatur und Toleranz, und sagt, welche Zusagen gehalten sind und warum. Wo eine gebrochen ist, findet es Einstellungen, die alle halten, zeigt, was sich sonst bewegte, und schreibt den Code.</translation>
        </message>
        <message>
            <source>Seek</source>
            <translation>Suche</translation>
        </message>
        <message>
            <source>Seek takes that keep wishes</source>
            <translation>Fassungen suchen, die Wünsche halten</translation>
        </message>
        <message>
            <source>Select a clock or a promise to see its arithmetic.</source>
            <translation>Wählen Sie einen Takt oder eine Zusage, um die Rechnung zu sehen.</translation>
        </message>
        <message>
            <source>Select a promise to see its desk</source>
            <translation>Wählen Sie eine Zusage, um ihr Pult zu sehen</translation>
        </message>
        <message>
            <source>Sent to the printer</source>
            <translation>An den Drucker geschickt</translation>
        </message>
        <message>
            <source>Serial line</source>
            <translation>Serielle Leitung</translation>
        </message>
        <message>
            <source>Settings</source>
            <translation>Einstellungen</translation>
        </message>
        <message>
            <source>Settings that keep everything can be looked for: Ctrl+K. Esc closes it again.</source>
            <translation>Einstellungen, die alles halten, lassen sich suchen: Strg+K. Esc schließt es wieder.</translation>
        </message>
        <message>
            <source>Shift and a click set the second cursor</source>
            <translation>Umschalt und ein Klick setzen den zweiten Zeiger</translation>
        </message>
        <message>
            <source>Shift+Enter</source>
            <translation>Umschalt+Enter</translation>
        </message>
        <message>
            <source>Show or hide the menu bar</source>
            <translation>Menüleiste zeigen oder verbergen</translation>
        </message>
        <message>
            <source>Show the menu bar (else F10 shows it for a moment)</source>
            <translation>Menüleiste zeigen (sonst zeigt F10 sie kurz)</translation>
        </message>
        <message>
            <source>Show the whole time</source>
            <translation>Die ganze Zeit zeigen</translation>
        </message>
        <message>
            <source>Signals with a choice of pins</source>
            <translation>Signale mit Pins zur Wahl</translation>
        </message>
        <message>
            <source>Skip</source>
            <translation>Überspringen</translation>
        </message>
        <message>
            <source>Sleep</source>
            <translation>Schlaf</translation>
        </message>
        <message>
            <source>Sleep modes</source>
            <translation>Schlafmodi</translation>
        </message>
        <message>
            <source>Smaller letters</source>
            <translation>Kleinere Schrift</translation>
        </message>
        <message>
            <source>Something could not be worked out: %1. The plan is as it was; undo the last edit (Ctrl+Z) if it began with that.</source>
            <translation>Etwas ließ sich nicht ausrechnen: %1. Der Plan ist, wie er war; machen Sie die letzte Änderung rückgängig (Strg+Z), wenn es mit ihr begann.</translation>
        </message>
        <message>
            <source>Sought in the outline</source>
            <translation>Gesucht in der Gliederung</translation>
        </message>
        <message>
            <source>Sources</source>
            <translation>Quellen</translation>
        </message>
        <message>
            <source>Supply and temperature</source>
            <translation>Versorgung und Temperatur</translation>
        </message>
        <message>
            <source>Sweep over rates</source>
            <translation>Über Raten fahren</translation>
        </message>
        <message>
            <source>TOML 1.0</source>
            <translation>TOML 1.0</translation>
        </message>
        <message>
            <source>Take %1 is added; Ctrl+T compares them.</source>
            <translation>Fassung %1 ist hinzugefügt; Strg+T vergleicht sie.</translation>
        </message>
        <message>
            <source>Take it</source>
            <translation>Übernehmen</translation>
        </message>
        <message>
            <source>Take it off the list</source>
            <translation>Von der Liste nehmen</translation>
        </message>
        <message>
            <source>Take that file</source>
            <translation>Diese Datei nehmen</translation>
        </message>
        <message>
            <source>Take them</source>
            <translation>Übernehmen</translation>
        </message>
        <message>
            <source>Take what was found as a new take</source>
            <translation>Das Vorgefundene als neue Fassung nehmen</translation>
        </message>
        <message>
            <source>Takes</source>
            <translation>Fassungen</translation>
        </message>
        <message>
            <source>Takes beside one another</source>
            <translation>Fassungen nebeneinander</translation>
        </message>
        <message>
            <source>Takes side by side</source>
            <translation>Fassungen nebeneinander</translation>
        </message>
        <message>
            <source>Takes: compare, add, copy, rename, delete</source>
            <translation>Fassungen: vergleichen, hinzufügen, kopieren, umbenennen, löschen</translation>
        </message>
        <message>
            <source>Terminal</source>
            <translation>Terminal</translation>
        </message>
        <message>
            <source>Text and clocks</source>
            <translation>Text und Takte</translation>
        </message>
        <message>
            <source>Text of the part</source>
            <translation>Text des Bausteins</translation>
        </message>
        <message>
            <source>That was the tour. F1 tells of whatever has the focus.</source>
            <translation>Das war die Führung. F1 erklärt, was gerade den Fokus hat.</translation>
        </message>
        <message>
            <source>The best so far.</source>
            <translation>Die besten bisher.</translation>
        </message>
        <message>
            <source>The clipboard holds no table.</source>
            <translation>Die Zwischenablage enthält keine Tabelle.</translation>
        </message>
        <message>
            <source>The clocks show the last state without errors.</source>
            <translation>Die Takte zeigen den letzten Stand ohne Fehler.</translation>
        </message>
        <message>
            <source>The hardware puts %1 on %2 by itself.</source>
            <translation>Die Hardware legt %1 von selbst auf %2.</translation>
        </message>
        <message>
            <source>The jobs could not be played: %1. The plan is as it was; undo the last edit (Ctrl+Z) or change the jobs.</source>
            <translation>Die Aufgaben ließen sich nicht spielen: %1. Der Plan ist, wie er war; machen Sie die letzte Änderung rückgängig (Strg+Z) oder ändern Sie die Aufgaben.</translation>
        </message>
        <message>
            <source>The last bit that is sampled</source>
            <translation>Das letzte Bit, das abgetastet wird</translation>
        </message>
        <message>
            <source>The nearest of each wish, if all others stay</source>
            <translation>Das Nächste zu jedem Wunsch, wenn alle anderen bleiben</translation>
        </message>
        <message>
            <source>The order of writing, from reset</source>
            <translation>Die Reihenfolge des Schreibens, ab Reset</translation>
        </message>
        <message>
            <source>The page %1 is not installed here.</source>
            <translation>Die Seite %1 ist hier nicht installiert.</translation>
        </message>
        <message>
            <source>The part has changes that are not saved.</source>
            <translation>Der Baustein hat Änderungen, die nicht gespeichert sind.</translation>
        </message>
        <message>
            <source>The part names no description of its registers: `registers = "my-part.svd"`, a table or a header beside it.</source>
            <translation>Der Baustein nennt keine Beschreibung seiner Register: `registers = "my-part.svd"`, eine Tabelle oder ein Header daneben.</translation>
        </message>
        <message>
            <source>The plan as it was then does not stand on the part as it is now.</source>
            <translation>Der Plan, wie er damals war, steht nicht auf dem Baustein, wie er jetzt ist.</translation>
        </message>
        <message>
            <source>The plan does not stand on the part as it was saved; it stays on the part as it was opened.</source>
            <translation>Der Plan steht nicht auf dem Baustein, wie er gespeichert wurde; er bleibt auf dem Baustein, wie er geöffnet wurde.</translation>
        </message>
        <message>
            <source>The rates that its dividers give</source>
            <translation>Die Raten, die seine Teiler ergeben</translation>
        </message>
        <message>
            <source>The takes do not differ</source>
            <translation>Die Fassungen unterscheiden sich nicht</translation>
        </message>
        <message>
            <source>The way ends here: %1</source>
            <translation>Der Weg endet hier: %1</translation>
        </message>
        <message>
            <source>The way there</source>
            <translation>Der Weg dorthin</translation>
        </message>
        <message>
            <source>There are changes of %1 that were never saved.</source>
            <translation>Es gibt Änderungen an %1, die nie gespeichert wurden.</translation>
        </message>
        <message>
            <source>There are takes, but none keeps the promises that are judged on whole takes: averages, lives and what hangs on other promises.</source>
            <translation>Es gibt Fassungen, aber keine hält die Zusagen, die an ganzen Fassungen beurteilt werden: Mittelwerte, Lebensdauern und was an anderen Zusagen hängt.</translation>
        </message>
        <message>
            <source>There is a '%1' already.</source>
            <translation>Es gibt schon „%1“.</translation>
        </message>
        <message>
            <source>There is a part '%1' of your own already: give this one another id.</source>
            <translation>Es gibt schon einen eigenen Baustein „%1“: geben Sie diesem eine andere Kennung.</translation>
        </message>
        <message>
            <source>There is a plan of %1 that was never saved.</source>
            <translation>Es gibt einen Plan %1, der nie gespeichert wurde.</translation>
        </message>
        <message>
            <source>There is no part on the shelf</source>
            <translation>Auf dem Regal steht kein Baustein</translation>
        </message>
        <message>
            <source>There may be a smaller set.</source>
            <translation>Es mag eine kleinere Menge geben.</translation>
        </message>
        <message>
            <source>This part tells of no modes</source>
            <translation>Dieser Baustein nennt keine Modi</translation>
        </message>
        <message>
            <source>To bring it up</source>
            <translation>Zum Inbetriebnehmen</translation>
        </message>
        <message>
            <source>To the next pin</source>
            <translation>Auf den nächsten Pin</translation>
        </message>
        <message>
            <source>To the pin before</source>
            <translation>Auf den vorigen Pin</translation>
        </message>
        <message>
            <source>Tour, %1 of %2. %3</source>
            <translation>Führung, %1 von %2. %3</translation>
        </message>
        <message>
            <source>Track to be recorded</source>
            <translation>Aufzuzeichnende Spur</translation>
        </message>
        <message>
            <source>Tree</source>
            <translation>Baum</translation>
        </message>
        <message>
            <source>Tree of the part</source>
            <translation>Baum des Bausteins</translation>
        </message>
        <message>
            <source>Two periods</source>
            <translation>Zwei Perioden</translation>
        </message>
        <message>
            <source>Type a part of a command, or words of the documents</source>
            <translation>Tippen Sie einen Teil eines Befehls, oder Wörter aus der Dokumentation</translation>
        </message>
        <message>
            <source>Type a part of a path</source>
            <translation>Tippen Sie einen Teil eines Pfads</translation>
        </message>
        <message>
            <source>Type a part of what was done</source>
            <translation>Tippen Sie einen Teil dessen, was getan wurde</translation>
        </message>
        <message>
            <source>Type a part of your own</source>
            <translation>Einen eigenen Baustein tippen</translation>
        </message>
        <message>
            <source>Type a promise</source>
            <translation>Eine Zusage tippen</translation>
        </message>
        <message>
            <source>Type the keys as text, such as Ctrl+Alt+J; Delete takes back what was changed.</source>
            <translation>Tippen Sie die Tasten als Text, etwa Ctrl+Alt+J; Entf nimmt eine Änderung zurück.</translation>
        </message>
        <message>
            <source>Undo</source>
            <translation>Rückgängig</translation>
        </message>
        <message>
            <source>Unknown</source>
            <translation>Unbekannt</translation>
        </message>
        <message>
            <source>Unknown here</source>
            <translation>Hier unbekannt</translation>
        </message>
        <message>
            <source>Unknown here, and what hangs on it</source>
            <translation>Hier unbekannt, und was daran hängt</translation>
        </message>
        <message>
            <source>Unsaved changes</source>
            <translation>Nicht gespeicherte Änderungen</translation>
        </message>
        <message>
            <source>Unsaved changes are written aside after</source>
            <translation>Nicht gespeicherte Änderungen werden beiseitegeschrieben nach</translation>
        </message>
        <message>
            <source>Unsaved changes can't be written aside: %1. Save the plan where there is room (Ctrl+Shift+S).</source>
            <translation>Nicht gespeicherte Änderungen lassen sich nicht beiseiteschreiben: %1. Speichern Sie den Plan, wo Platz ist (Strg+Umschalt+S).</translation>
        </message>
        <message>
            <source>Value of the row</source>
            <translation>Wert der Zeile</translation>
        </message>
        <message>
            <source>Vitals</source>
            <translation>Kennwerte</translation>
        </message>
        <message>
            <source>Waking by its address</source>
            <translation>Aufwachen durch seine Adresse</translation>
        </message>
        <message>
            <source>Waking from %1</source>
            <translation>Aufwachen aus %1</translation>
        </message>
        <message>
            <source>Waking on a start bit</source>
            <translation>Aufwachen bei einem Startbit</translation>
        </message>
        <message>
            <source>Watch a folder for new captures, or no longer</source>
            <translation>Einen Ordner auf neue Aufzeichnungen beobachten, oder nicht mehr</translation>
        </message>
        <message>
            <source>Ways out</source>
            <translation>Auswege</translation>
        </message>
        <message>
            <source>Ways to keep it</source>
            <translation>Wege, sie zu halten</translation>
        </message>
        <message>
            <source>Ways to wake sooner</source>
            <translation>Wege, eher aufzuwachen</translation>
        </message>
        <message>
            <source>Welcome</source>
            <translation>Willkommen</translation>
        </message>
        <message>
            <source>What %1 draws over temperature</source>
            <translation>Was %1 über der Temperatur zieht</translation>
        </message>
        <message>
            <source>What %1 draws over the supply</source>
            <translation>Was %1 über der Versorgung zieht</translation>
        </message>
        <message>
            <source>What a megahertz costs %1</source>
            <translation>Was ein Megahertz kostet %1</translation>
        </message>
        <message>
            <source>What can be done on the bench</source>
            <translation>Was am Messplatz getan werden kann</translation>
        </message>
        <message>
            <source>What can be done with the files</source>
            <translation>Was mit den Dateien getan werden kann</translation>
        </message>
        <message>
            <source>What can be done with the selected take</source>
            <translation>Was mit der gewählten Fassung getan werden kann</translation>
        </message>
        <message>
            <source>What collides was not found: the search had to end.</source>
            <translation>Was kollidiert, wurde nicht gefunden: die Suche musste enden.</translation>
        </message>
        <message>
            <source>What column %1 means</source>
            <translation>Was Spalte %1 bedeutet</translation>
        </message>
        <message>
            <source>What could wake it then</source>
            <translation>Was ihn dann wecken könnte</translation>
        </message>
        <message>
            <source>What draws in %1</source>
            <translation>Was in %1 zieht</translation>
        </message>
        <message>
            <source>What explains it</source>
            <translation>Was es erklärt</translation>
        </message>
        <message>
            <source>What firmware promises, held against what its clocks give</source>
            <translation>Was Firmware zusagt, gehalten gegen das, was ihre Takte ergeben</translation>
        </message>
        <message>
            <source>What if its source fails</source>
            <translation>Was, wenn seine Quelle ausfällt</translation>
        </message>
        <message>
            <source>What is asked</source>
            <translation>Was gefragt ist</translation>
        </message>
        <message>
            <source>What is it called?</source>
            <translation>Wie heißt er?</translation>
        </message>
        <message>
            <source>What is listened for</source>
            <translation>Worauf gehört wird</translation>
        </message>
        <message>
            <source>What is needed</source>
            <translation>Was gebraucht wird</translation>
        </message>
        <message>
            <source>What is not asked stays unknown until it is looked up.</source>
            <translation>Was nicht gefragt wird, bleibt unbekannt, bis es nachgeschlagen ist.</translation>
        </message>
        <message>
            <source>What it becomes when the core changes</source>
            <translation>Was daraus wird, wenn sich der Kern ändert</translation>
        </message>
        <message>
            <source>What it draws and how it wakes</source>
            <translation>Was er zieht und wie er aufwacht</translation>
        </message>
        <message>
            <source>What the board said</source>
            <translation>Was die Platine sagte</translation>
        </message>
        <message>
            <source>What the part does not tell</source>
            <translation>Was der Baustein nicht sagt</translation>
        </message>
        <message>
            <source>What the part makes</source>
            <translation>Was der Baustein anlegt</translation>
        </message>
        <message>
            <source>What the selected thing says</source>
            <translation>Was das Ausgewählte sagt</translation>
        </message>
        <message>
            <source>What would move the average most</source>
            <translation>Was das Mittel am meisten bewegte</translation>
        </message>
        <message>
            <source>What would move the battery most</source>
            <translation>Was die Batterie am meisten bewegte</translation>
        </message>
        <message>
            <source>When it may be fed</source>
            <translation>Wann gefüttert werden darf</translation>
        </message>
        <message>
            <source>Where the charge goes</source>
            <translation>Wohin die Ladung geht</translation>
        </message>
        <message>
            <source>Which modes beside run?</source>
            <translation>Welche Modi neben run?</translation>
        </message>
        <message>
            <source>Which oscillators are inside?</source>
            <translation>Welche Oszillatoren sind darin?</translation>
        </message>
        <message>
            <source>Which performance levels?</source>
            <translation>Welche Leistungsstufen?</translation>
        </message>
        <message>
            <source>Which peripherals?</source>
            <translation>Welche Peripherien?</translation>
        </message>
        <message>
            <source>Which supply does it stand?</source>
            <translation>Welche Versorgung verträgt er?</translation>
        </message>
        <message>
            <source>Why nothing fits</source>
            <translation>Warum nichts passt</translation>
        </message>
        <message>
            <source>Window and files</source>
            <translation>Fenster und Dateien</translation>
        </message>
        <message>
            <source>Wise Tick</source>
            <translation>Wise Tick</translation>
        </message>
        <message>
            <source>Wish for the selected clock as it is, in Seek</source>
            <translation>In der Suche wünschen, dass der gewählte Takt so bleibt</translation>
        </message>
        <message>
            <source>Wish line</source>
            <translation>Wunschzeile</translation>
        </message>
        <message>
            <source>Workings</source>
            <translation>Rechenweg</translation>
        </message>
        <message>
            <source>Worst error against current</source>
            <translation>Schlimmster Fehler gegen Strom</translation>
        </message>
        <message>
            <source>Worth going deeper?</source>
            <translation>Lohnt sich tiefer?</translation>
        </message>
        <message>
            <source>Write a report for people: HTML, PDF or Markdown</source>
            <translation>Einen Bericht für Menschen schreiben: HTML, PDF oder Markdown</translation>
        </message>
        <message>
            <source>Write all that is behind</source>
            <translation>Alles schreiben, was zurückliegt</translation>
        </message>
        <message>
            <source>Write the file</source>
            <translation>Die Datei schreiben</translation>
        </message>
        <message>
            <source>Write the selected file over what was changed by hand</source>
            <translation>Die gewählte Datei über das von Hand Geänderte schreiben</translation>
        </message>
        <message>
            <source>Written: %1</source>
            <translation>Geschrieben: %1</translation>
        </message>
        <message>
            <source>[[template]] tables</source>
            <translation>[[template]]-Tabellen</translation>
        </message>
        <message>
            <source>[board] supply, to judge what the tier needs</source>
            <translation>[board] supply, um zu beurteilen, was die Stufe braucht</translation>
        </message>
        <message>
            <source>[board] temperature</source>
            <translation>[board] temperature</translation>
        </message>
        <message>
            <source>`{}` says more than a line can</source>
            <translation>`{}` sagt mehr, als eine Zeile kann</translation>
        </message>
        <message>
            <source>a '{{' that is not closed</source>
            <translation>ein '{{', das nicht geschlossen wird</translation>
        </message>
        <message>
            <source>a &lt;{}&gt; of that name</source>
            <translation>ein &lt;{}&gt; dieses Namens</translation>
        </message>
        <message>
            <source>a CMSIS-SVD file</source>
            <translation>eine CMSIS-SVD-Datei</translation>
        </message>
        <message>
            <source>a CMSIS-SVD file beside the part, if there is one</source>
            <translation>eine CMSIS-SVD-Datei neben dem Baustein, wenn es eine gibt</translation>
        </message>
        <message>
            <source>a [[block]] named as what stands before the dot</source>
            <translation>ein [[block]], genannt wie das, was vor dem Punkt steht</translation>
        </message>
        <message>
            <source>a [[sequence]] with that id</source>
            <translation>eine [[sequence]] mit dieser Kennung</translation>
        </message>
        <message>
            <source>a [[template]] with that id</source>
            <translation>ein [[template]] mit dieser Kennung</translation>
        </message>
        <message>
            <source>a better clock</source>
            <translation>ein besserer Takt</translation>
        </message>
        <message>
            <source>a better way is free: </source>
            <translation>ein besserer Weg ist frei: </translation>
        </message>
        <message>
            <source>a bit rate</source>
            <translation>eine Bitrate</translation>
        </message>
        <message>
            <source>a board that was played is not kept: it can be played again</source>
            <translation>eine abgespielte Platine wird nicht behalten: sie lässt sich wieder abspielen</translation>
        </message>
        <message>
            <source>a calendar that it can match</source>
            <translation>ein Kalender, den er treffen kann</translation>
        </message>
        <message>
            <source>a calendar that makes them</source>
            <translation>ein Kalender, der sie macht</translation>
        </message>
        <message>
            <source>a capacitance</source>
            <translation>eine Kapazität</translation>
        </message>
        <message>
            <source>a capacity above 0</source>
            <translation>eine Kapazität über 0</translation>
        </message>
        <message>
            <source>a capture without a file</source>
            <translation>eine Aufzeichnung ohne Datei</translation>
        </message>
        <message>
            <source>a change of the text</source>
            <translation>eine Änderung des Textes</translation>
        </message>
        <message>
            <source>a charge</source>
            <translation>eine Ladung</translation>
        </message>
        <message>
            <source>a choice of one source</source>
            <translation>eine Wahl aus einer einzigen Quelle</translation>
        </message>
        <message>
            <source>a click asks which; or type %1 of 8 MHz, 12 MHz</source>
            <translation>ein Klick fragt welche; oder tippen: %1 of 8 MHz, 12 MHz</translation>
        </message>
        <message>
            <source>a click holds it again</source>
            <translation>ein Klick hält es wieder fest</translation>
        </message>
        <message>
            <source>a clock fed in for '{}'</source>
            <translation>ein eingespeister Takt für „{}“</translation>
        </message>
        <message>
            <source>a clock without a slope on it</source>
            <translation>ein Takt ohne Steigung daran</translation>
        </message>
        <message>
            <source>a code for '{}'</source>
            <translation>ein Code für „{}“</translation>
        </message>
        <message>
            <source>a code for each of {}</source>
            <translation>ein Code für jedes von {}</translation>
        </message>
        <message>
            <source>a code for each value</source>
            <translation>ein Code für jeden Wert</translation>
        </message>
        <message>
            <source>a code for {} = {}, which it can't be</source>
            <translation>ein Code für {} = {}, was es nicht sein kann</translation>
        </message>
        <message>
            <source>a column '{}'</source>
            <translation>eine Spalte „{}“</translation>
        </message>
        <message>
            <source>a condition such as 'core &gt;= 100 MHz' or 'sleep &lt;= 2 uA'</source>
            <translation>eine Bedingung wie 'core &gt;= 100 MHz' oder 'sleep &lt;= 2 uA'</translation>
        </message>
        <message>
            <source>a control character in '{}'</source>
            <translation>ein Steuerzeichen in „{}“</translation>
        </message>
        <message>
            <source>a control such as 'gate', or {{ say = … }}</source>
            <translation>eine Einstellung wie 'gate', oder {{ say = … }}</translation>
        </message>
        <message>
            <source>a control, a limit, or a reader</source>
            <translation>eine Einstellung, eine Grenze oder ein Leser</translation>
        </message>
        <message>
            <source>a count</source>
            <translation>eine Anzahl</translation>
        </message>
        <message>
            <source>a count lasts {}{}, asked at most {}{}</source>
            <translation>ein Zählschritt dauert {}{}, verlangt höchstens {}{}</translation>
        </message>
        <message>
            <source>a crystal</source>
            <translation>ein Quarz</translation>
        </message>
        <message>
            <source>a crystal or a clock input</source>
            <translation>ein Quarz oder ein Takteingang</translation>
        </message>
        <message>
            <source>a crystal with levels of drive</source>
            <translation>ein Quarz mit Treiberstärken</translation>
        </message>
        <message>
            <source>a current</source>
            <translation>ein Strom</translation>
        </message>
        <message>
            <source>a curve that does not rise with the charge that is left</source>
            <translation>eine Kurve, die mit der verbliebenen Ladung nicht steigt</translation>
        </message>
        <message>
            <source>a date</source>
            <translation>ein Datum</translation>
        </message>
        <message>
            <source>a description without registers</source>
            <translation>eine Beschreibung ohne Register</translation>
        </message>
        <message>
            <source>a divider of {}, which the line can't be set to</source>
            <translation>ein Teiler von {}, auf den die Leitung nicht gestellt werden kann</translation>
        </message>
        <message>
            <source>a divisor above 0</source>
            <translation>ein Teiler über 0</translation>
        </message>
        <message>
            <source>a draw of 0 or more</source>
            <translation>ein Verbrauch von 0 oder mehr</translation>
        </message>
        <message>
            <source>a draw of its own that is no single figure</source>
            <translation>ein eigener Verbrauch, der keine einzelne Zahl ist</translation>
        </message>
        <message>
            <source>a drift</source>
            <translation>eine Drift</translation>
        </message>
        <message>
            <source>a drive without a choice</source>
            <translation>eine Treiberstärke ohne Wahl</translation>
        </message>
        <message>
            <source>a factor above 0</source>
            <translation>ein Faktor über 0</translation>
        </message>
        <message>
            <source>a factor above 0: a whole number, or a text such as "2.5", "1/2" or "98 + 1234/4096"</source>
            <translation>ein Faktor über 0: eine ganze Zahl, oder ein Text wie "2.5", "1/2" oder "98 + 1234/4096"</translation>
        </message>
        <message>
            <source>a factor of at most 2^48, in steps of at least 2^-48</source>
            <translation>ein Faktor von höchstens 2^48, in Schritten von mindestens 2^-48</translation>
        </message>
        <message>
            <source>a factor such as '5', '2.5', '11/16' or '98 + 1234/4096'</source>
            <translation>ein Faktor wie '5', '2.5', '11/16' oder '98 + 1234/4096'</translation>
        </message>
        <message>
            <source>a fall of {} is longer than the {} of {} mode</source>
            <translation>ein Abfall von {} ist länger als die {} im Modus {}</translation>
        </message>
        <message>
            <source>a fast core</source>
            <translation>ein schneller Kern</translation>
        </message>
        <message>
            <source>a field by name or meaning</source>
            <translation>ein Feld nach Name oder Bedeutung</translation>
        </message>
        <message>
            <source>a field such as "CLK.DIV[3:0]"</source>
            <translation>ein Feld wie "CLK.DIV[3:0]"</translation>
        </message>
        <message>
            <source>a field such as "CLK.REF[4:0]" or "CLK.PLLIN[16]", bits 63 to 0, or a list of pieces, the high bits first</source>
            <translation>ein Feld wie "CLK.REF[4:0]" oder "CLK.PLLIN[16]", Bits 63 bis 0, oder eine Liste von Stücken, die hohen Bits zuerst</translation>
        </message>
        <message>
            <source>a field that it names, or its bits, such as "CLK.REF[4:0]"</source>
            <translation>ein Feld, das er nennt, oder seine Bits, wie "CLK.REF[4:0]"</translation>
        </message>
        <message>
            <source>a field that shows the input of a line without a mux</source>
            <translation>ein Feld, das den Eingang einer Leitung ohne Wähler zeigt</translation>
        </message>
        <message>
            <source>a figure, a list or an id</source>
            <translation>eine Zahl, eine Liste oder eine Kennung</translation>
        </message>
        <message>
            <source>a file beside the part</source>
            <translation>eine Datei neben dem Baustein</translation>
        </message>
        <message>
            <source>a file of more than {} MB</source>
            <translation>eine Datei von mehr als {} MB</translation>
        </message>
        <message>
            <source>a file that was not made here</source>
            <translation>eine Datei, die nicht hier gemacht wurde</translation>
        </message>
        <message>
            <source>a first row such as register,address,field,bits,about</source>
            <translation>eine erste Zeile wie register,address,field,bits,about</translation>
        </message>
        <message>
            <source>a flag that is still set would end the rest at once</source>
            <translation>ein noch gesetztes Merkmal beendete die Ruhe sofort</translation>
        </message>
        <message>
            <source>a form such as "n-1"</source>
            <translation>eine Form wie "n-1"</translation>
        </message>
        <message>
            <source>a jitter of more than the period</source>
            <translation>ein Jitter von mehr als der Periode</translation>
        </message>
        <message>
            <source>a jitter without a period</source>
            <translation>ein Jitter ohne Periode</translation>
        </message>
        <message>
            <source>a job needs a name</source>
            <translation>eine Aufgabe braucht einen Namen</translation>
        </message>
        <message>
            <source>a job takes some time</source>
            <translation>eine Aufgabe dauert etwas</translation>
        </message>
        <message>
            <source>a key of more than {} parts</source>
            <translation>ein Schlüssel aus mehr als {} Teilen</translation>
        </message>
        <message>
            <source>a kind without a name or a schema</source>
            <translation>eine Art ohne Namen oder Schema</translation>
        </message>
        <message>
            <source>a length</source>
            <translation>eine Länge</translation>
        </message>
        <message>
            <source>a level that is not planned</source>
            <translation>ein Pegel, der nicht geplant ist</translation>
        </message>
        <message>
            <source>a limit without 'min' and 'max'</source>
            <translation>eine Grenze ohne 'min' und 'max'</translation>
        </message>
        <message>
            <source>a line as the tool wrote it</source>
            <translation>eine Zeile, wie das Werkzeug sie schrieb</translation>
        </message>
        <message>
            <source>a line that has this control</source>
            <translation>eine Leitung, die diese Einstellung hat</translation>
        </message>
        <message>
            <source>a line to be sent, Enter sends it</source>
            <translation>eine zu sendende Zeile, Enter sendet sie</translation>
        </message>
        <message>
            <source>a line with a divider</source>
            <translation>eine Leitung mit einem Teiler</translation>
        </message>
        <message>
            <source>a line with a multiplier</source>
            <translation>eine Leitung mit einem Vervielfacher</translation>
        </message>
        <message>
            <source>a line with a mux</source>
            <translation>eine Leitung mit einem Wähler</translation>
        </message>
        <message>
            <source>a line's factor such as 'bus_a.divide'</source>
            <translation>der Faktor einer Leitung, wie 'bus_a.divide'</translation>
        </message>
        <message>
            <source>a list</source>
            <translation>eine Liste</translation>
        </message>
        <message>
            <source>a list of controls and of {{ say = … }} tables</source>
            <translation>eine Liste von Einstellungen und von {{ say = … }}-Tabellen</translation>
        </message>
        <message>
            <source>a list of rates to choose from</source>
            <translation>eine Liste von Raten zur Wahl</translation>
        </message>
        <message>
            <source>a list of steps</source>
            <translation>eine Liste von Schritten</translation>
        </message>
        <message>
            <source>a list of tables, one for each thing</source>
            <translation>eine Liste von Tabellen, eine für jedes Ding</translation>
        </message>
        <message>
            <source>a list of texts</source>
            <translation>eine Liste von Texten</translation>
        </message>
        <message>
            <source>a list of writes such as "POWER.REST[2:0] = 2"</source>
            <translation>eine Liste von Schreibzugriffen wie "POWER.REST[2:0] = 2"</translation>
        </message>
        <message>
            <source>a list of {}</source>
            <translation>eine Liste von {}</translation>
        </message>
        <message>
            <source>a list such as ["POWER.KEY = 0x6B39"]</source>
            <translation>eine Liste wie ["POWER.KEY = 0x6B39"]</translation>
        </message>
        <message>
            <source>a load of {} is more than the {} of {} mode</source>
            <translation>eine Last von {} ist mehr als die {} im Modus {}</translation>
        </message>
        <message>
            <source>a longer time, or less that stands before it</source>
            <translation>eine längere Zeit, oder weniger, das davor steht</translation>
        </message>
        <message>
            <source>a longest time below the typical one</source>
            <translation>eine längste Zeit unter der typischen</translation>
        </message>
        <message>
            <source>a loop between lines: {}</source>
            <translation>ein Kreis zwischen Leitungen: {}</translation>
        </message>
        <message>
            <source>a memory of {} does not go into its size field: next to it go {}</source>
            <translation>ein Speicher von {} passt nicht in sein Größenfeld: daneben passen {}</translation>
        </message>
        <message>
            <source>a mode that is woken by something</source>
            <translation>ein Modus, der von etwas geweckt wird</translation>
        </message>
        <message>
            <source>a mode: {}</source>
            <translation>ein Modus: {}</translation>
        </message>
        <message>
            <source>a name</source>
            <translation>ein Name</translation>
        </message>
        <message>
            <source>a name of its own</source>
            <translation>ein eigener Name</translation>
        </message>
        <message>
            <source>a name such as OSC.MAIN</source>
            <translation>ein Name wie OSC.MAIN</translation>
        </message>
        <message>
            <source>a number</source>
            <translation>eine Zahl</translation>
        </message>
        <message>
            <source>a number of bits</source>
            <translation>eine Anzahl von Bits</translation>
        </message>
        <message>
            <source>a number of bytes</source>
            <translation>eine Anzahl von Bytes</translation>
        </message>
        <message>
            <source>a number of channels</source>
            <translation>eine Anzahl von Kanälen</translation>
        </message>
        <message>
            <source>a number of cycles</source>
            <translation>eine Anzahl von Zyklen</translation>
        </message>
        <message>
            <source>a number of its width</source>
            <translation>eine Zahl seiner Breite</translation>
        </message>
        <message>
            <source>a number such as 0x3</source>
            <translation>eine Zahl wie 0x3</translation>
        </message>
        <message>
            <source>a number such as 0x40</source>
            <translation>eine Zahl wie 0x40</translation>
        </message>
        <message>
            <source>a number such as 64 or 0x40</source>
            <translation>eine Zahl wie 64 oder 0x40</translation>
        </message>
        <message>
            <source>a pair of {}s</source>
            <translation>ein Paar von {}</translation>
        </message>
        <message>
            <source>a pair such as ["-20 %", "25 %"]</source>
            <translation>ein Paar wie ["-20 %", "25 %"]</translation>
        </message>
        <message>
            <source>a pair such as ["20 %", "2.9 V"]</source>
            <translation>ein Paar wie ["20 %", "2.9 V"]</translation>
        </message>
        <message>
            <source>a pair such as ["25 C", "140 uA"]</source>
            <translation>ein Paar wie ["25 C", "140 uA"]</translation>
        </message>
        <message>
            <source>a pair such as ["25 C", "95 %"]</source>
            <translation>ein Paar wie ["25 C", "95 %"]</translation>
        </message>
        <message>
            <source>a pair such as ["64 MHz", 1], or with a speed, ["64 MHz", 1, "92 %"]</source>
            <translation>ein Paar wie ["64 MHz", 1], oder mit einem Tempo, ["64 MHz", 1, "92 %"]</translation>
        </message>
        <message>
            <source>a part needs an oscillator</source>
            <translation>ein Baustein braucht einen Oszillator</translation>
        </message>
        <message>
            <source>a part on the shelf ({}), or a path below the folder of the plan or of the shelf (--parts)</source>
            <translation>ein Baustein auf dem Regal ({}), oder ein Pfad unter dem Ordner des Plans oder des Regals (--parts)</translation>
        </message>
        <message>
            <source>a path from the plan's folder</source>
            <translation>ein Pfad vom Ordner des Plans aus</translation>
        </message>
        <message>
            <source>a path, such as '../firmware/clocks.h as header, take A'</source>
            <translation>ein Pfad, etwa '../firmware/clocks.h as header, take A'</translation>
        </message>
        <message>
            <source>a period is above 0</source>
            <translation>eine Periode liegt über 0</translation>
        </message>
        <message>
            <source>a peripheral has no {}</source>
            <translation>eine Peripherie hat kein {}</translation>
        </message>
        <message>
            <source>a peripheral without &lt;baseAddress&gt;</source>
            <translation>eine Peripherie ohne &lt;baseAddress&gt;</translation>
        </message>
        <message>
            <source>a physical figure is out of range</source>
            <translation>eine physikalische Größe ist außerhalb des Bereichs</translation>
        </message>
        <message>
            <source>a plan needs a name</source>
            <translation>ein Plan braucht einen Namen</translation>
        </message>
        <message>
            <source>a point before the fraction, not a comma</source>
            <translation>ein Punkt vor dem Bruchteil, kein Komma</translation>
        </message>
        <message>
            <source>a pull-up of {} is less than the {} that {} mode can pull down at {}</source>
            <translation>ein Pull-up von {} ist weniger als die {}, die der Modus {} bei {} hinabziehen kann</translation>
        </message>
        <message>
            <source>a range out of order</source>
            <translation>ein Bereich in falscher Reihenfolge</translation>
        </message>
        <message>
            <source>a range that its steps of {} do not end on</source>
            <translation>ein Bereich, auf dem seine Schritte von {} nicht enden</translation>
        </message>
        <message>
            <source>a rate</source>
            <translation>eine Rate</translation>
        </message>
        <message>
            <source>a rate above 0</source>
            <translation>eine Rate über 0</translation>
        </message>
        <message>
            <source>a rate is above 0</source>
            <translation>eine Rate liegt über 0</translation>
        </message>
        <message>
            <source>a rate of samples</source>
            <translation>eine Abtastrate</translation>
        </message>
        <message>
            <source>a rate without 'least' and 'below'</source>
            <translation>eine Rate ohne 'least' und 'below'</translation>
        </message>
        <message>
            <source>a rate, as '160 MHz'</source>
            <translation>eine Rate, wie '160 MHz'</translation>
        </message>
        <message>
            <source>a ratio</source>
            <translation>ein Verhältnis</translation>
        </message>
        <message>
            <source>a ratio per year</source>
            <translation>ein Verhältnis im Jahr</translation>
        </message>
        <message>
            <source>a readable file</source>
            <translation>eine lesbare Datei</translation>
        </message>
        <message>
            <source>a record whose length or sum is wrong</source>
            <translation>ein Datensatz, dessen Länge oder Summe falsch ist</translation>
        </message>
        <message>
            <source>a register or field by name, meaning or code</source>
            <translation>ein Register oder Feld nach Name, Bedeutung oder Code</translation>
        </message>
        <message>
            <source>a register that it names, or a [[register]] of that name</source>
            <translation>ein Register, das er nennt, oder ein [[register]] dieses Namens</translation>
        </message>
        <message>
            <source>a reset value for '{}'</source>
            <translation>ein Resetwert für „{}“</translation>
        </message>
        <message>
            <source>a resistance</source>
            <translation>ein Widerstand</translation>
        </message>
        <message>
            <source>a ripple of 100 % or more</source>
            <translation>eine Welligkeit von 100 % oder mehr</translation>
        </message>
        <message>
            <source>a rise of {} is longer than the {} of {} mode: stronger pull-ups, or a shorter bus</source>
            <translation>ein Anstieg von {} ist länger als die {} im Modus {}: stärkere Pull-ups, oder ein kürzerer Bus</translation>
        </message>
        <message>
            <source>a rounded figure</source>
            <translation>eine gerundete Zahl</translation>
        </message>
        <message>
            <source>a row for each register or field</source>
            <translation>eine Zeile für jedes Register oder Feld</translation>
        </message>
        <message>
            <source>a rule that compares nothing</source>
            <translation>eine Regel, die nichts vergleicht</translation>
        </message>
        <message>
            <source>a rule that no setting keeps: '{}'</source>
            <translation>eine Regel, die keine Einstellung hält: „{}“</translation>
        </message>
        <message>
            <source>a rule with two relations</source>
            <translation>eine Regel mit zwei Vergleichen</translation>
        </message>
        <message>
            <source>a scan</source>
            <translation>ein Durchgang</translation>
        </message>
        <message>
            <source>a scan takes up to {}, and {} comes again after {}</source>
            <translation>ein Durchgang dauert bis zu {}, und {} kommt nach {} wieder</translation>
        </message>
        <message>
            <source>a sender samples its own data bits {} after they begin{}, and hears them only after the node delay of {}{}</source>
            <translation>ein Sender tastet die eigenen Datenbits {} nach ihrem Beginn ab{}, und hört sie erst nach der Knotenverzögerung von {}{}</translation>
        </message>
        <message>
            <source>a setting: {}</source>
            <translation>eine Einstellung: {}</translation>
        </message>
        <message>
            <source>a share in a time: '%/year'</source>
            <translation>ein Anteil in einer Zeit: '%/year'</translation>
        </message>
        <message>
            <source>a short wake-up</source>
            <translation>ein kurzes Aufwachen</translation>
        </message>
        <message>
            <source>a shorter handler, or a longer interval</source>
            <translation>eine kürzere Behandlung, oder ein längerer Abstand</translation>
        </message>
        <message>
            <source>a signal without a pin</source>
            <translation>ein Signal ohne Pin</translation>
        </message>
        <message>
            <source>a single edge</source>
            <translation>eine einzige Flanke</translation>
        </message>
        <message>
            <source>a size from 1e-30 to 1e30, in the unit itself</source>
            <translation>eine Größe von 1e-30 bis 1e30, in der Einheit selbst</translation>
        </message>
        <message>
            <source>a small letter, then small letters, digits, '_' or '-'</source>
            <translation>ein Kleinbuchstabe, dann Kleinbuchstaben, Ziffern, '_' oder '-'</translation>
        </message>
        <message>
            <source>a source is set on the board</source>
            <translation>eine Quelle wird auf der Platine gesetzt</translation>
        </message>
        <message>
            <source>a source or line</source>
            <translation>eine Quelle oder Leitung</translation>
        </message>
        <message>
            <source>a source that takes one</source>
            <translation>eine Quelle, die einen nimmt</translation>
        </message>
        <message>
            <source>a source with 'rates'</source>
            <translation>eine Quelle mit 'rates'</translation>
        </message>
        <message>
            <source>a speed that is not above the one before</source>
            <translation>ein Tempo, das nicht über dem davor liegt</translation>
        </message>
        <message>
            <source>a start-up time in the part file</source>
            <translation>eine Anlaufzeit in der Bausteindatei</translation>
        </message>
        <message>
            <source>a step for every rate that is allowed</source>
            <translation>ein Schritt für jede erlaubte Rate</translation>
        </message>
        <message>
            <source>a step that is neither text nor table</source>
            <translation>ein Schritt, der weder Text noch Tabelle ist</translation>
        </message>
        <message>
            <source>a supply is above 0 V</source>
            <translation>eine Versorgung liegt über 0 V</translation>
        </message>
        <message>
            <source>a supply of at least {}</source>
            <translation>eine Versorgung von mindestens {}</translation>
        </message>
        <message>
            <source>a supply of at most {}</source>
            <translation>eine Versorgung von höchstens {}</translation>
        </message>
        <message>
            <source>a supply of {} … {}</source>
            <translation>eine Versorgung von {} … {}</translation>
        </message>
        <message>
            <source>a supply that holds what the battery gives, or a regulator</source>
            <translation>eine Versorgung, die enthält, was die Batterie gibt, oder ein Regler</translation>
        </message>
        <message>
            <source>a sweep needs rates upwards, and a text that is listened for</source>
            <translation>das Fahren braucht Raten aufwärts, und einen Text, auf den gehört wird</translation>
        </message>
        <message>
            <source>a table</source>
            <translation>eine Tabelle</translation>
        </message>
        <message>
            <source>a table of names and what they stand for</source>
            <translation>eine Tabelle von Namen und wofür sie stehen</translation>
        </message>
        <message>
            <source>a table such as {{ tier = "fast", per_mhz = "3 uA" }}</source>
            <translation>eine Tabelle wie {{ tier = "fast", per_mhz = "3 uA" }}</translation>
        </message>
        <message>
            <source>a table with an id</source>
            <translation>eine Tabelle mit einer Kennung</translation>
        </message>
        <message>
            <source>a take '{}'</source>
            <translation>eine Fassung „{}“</translation>
        </message>
        <message>
            <source>a take '{}' that rests in {}</source>
            <translation>eine Fassung „{}“, die in {} ruht</translation>
        </message>
        <message>
            <source>a take needs a name</source>
            <translation>eine Fassung braucht einen Namen</translation>
        </message>
        <message>
            <source>a take without a name</source>
            <translation>eine Fassung ohne Namen</translation>
        </message>
        <message>
            <source>a temperature</source>
            <translation>eine Temperatur</translation>
        </message>
        <message>
            <source>a temperature in a time, such as "0.5 C/min"</source>
            <translation>eine Temperatur in einer Zeit, wie "0.5 C/min"</translation>
        </message>
        <message>
            <source>a template without an id</source>
            <translation>ein Template ohne Kennung</translation>
        </message>
        <message>
            <source>a terminal, such as /dev/ttyUSB0</source>
            <translation>ein Terminal, etwa /dev/ttyUSB0</translation>
        </message>
        <message>
            <source>a text in one line</source>
            <translation>ein Text in einer Zeile</translation>
        </message>
        <message>
            <source>a text in quotes</source>
            <translation>ein Text in Anführungszeichen</translation>
        </message>
        <message>
            <source>a text, or {{ say, when }}</source>
            <translation>ein Text, oder {{ say, when }}</translation>
        </message>
        <message>
            <source>a thing with like = "{}"</source>
            <translation>ein Ding mit like = "{}"</translation>
        </message>
        <message>
            <source>a tier beside rates by tier</source>
            <translation>eine Stufe neben Raten nach Stufen</translation>
        </message>
        <message>
            <source>a time</source>
            <translation>eine Zeit</translation>
        </message>
        <message>
            <source>a timer of a job that does not come by a period</source>
            <translation>ein Timer einer Aufgabe, die nicht in einer Periode kommt</translation>
        </message>
        <message>
            <source>a tolerance above 0</source>
            <translation>eine Toleranz über 0</translation>
        </message>
        <message>
            <source>a tolerance in the plan's board or in the part</source>
            <translation>eine Toleranz in der Platine des Plans oder im Baustein</translation>
        </message>
        <message>
            <source>a tolerance of 100 % or more</source>
            <translation>eine Toleranz von 100 % oder mehr</translation>
        </message>
        <message>
            <source>a tolerance, as '1.5 %' or '30 ppm'</source>
            <translation>eine Toleranz, wie '1.5 %' oder '30 ppm'</translation>
        </message>
        <message>
            <source>a track, such as tick</source>
            <translation>eine Spur, etwa tick</translation>
        </message>
        <message>
            <source>a transconductance</source>
            <translation>eine Steilheit</translation>
        </message>
        <message>
            <source>a trim of what is no rc</source>
            <translation>ein Abgleich von etwas, das kein RC ist</translation>
        </message>
        <message>
            <source>a value above 0</source>
            <translation>ein Wert über 0</translation>
        </message>
        <message>
            <source>a value of 0 or more</source>
            <translation>ein Wert von 0 oder mehr</translation>
        </message>
        <message>
            <source>a value of the control, such as 6</source>
            <translation>ein Wert der Einstellung, wie 6</translation>
        </message>
        <message>
            <source>a value that does not fit the {} bits of {}</source>
            <translation>ein Wert, der nicht in die {} Bit von {} passt</translation>
        </message>
        <message>
            <source>a voltage</source>
            <translation>eine Spannung</translation>
        </message>
        <message>
            <source>a voltage above 0</source>
            <translation>eine Spannung über 0</translation>
        </message>
        <message>
            <source>a watch crystal of 32.768 kHz</source>
            <translation>ein Uhrenquarz mit 32,768 kHz</translation>
        </message>
        <message>
            <source>a whole number</source>
            <translation>eine ganze Zahl</translation>
        </message>
        <message>
            <source>a whole number from 1 to 1000</source>
            <translation>eine ganze Zahl von 1 bis 1000</translation>
        </message>
        <message>
            <source>a whole number from 1 to 32</source>
            <translation>eine ganze Zahl von 1 bis 32</translation>
        </message>
        <message>
            <source>a whole number from {} to {}</source>
            <translation>eine ganze Zahl von {} bis {}</translation>
        </message>
        <message>
            <source>a whole number, such as 64 or "0x4000_1000"</source>
            <translation>eine ganze Zahl, wie 64 oder "0x4000_1000"</translation>
        </message>
        <message>
            <source>a whole number: its codes have no names there</source>
            <translation>eine ganze Zahl: seine Codes haben dort keine Namen</translation>
        </message>
        <message>
            <source>a wider field or a smaller range</source>
            <translation>ein breiteres Feld oder ein kleinerer Bereich</translation>
        </message>
        <message>
            <source>a wish for it, with a rate</source>
            <translation>ein Wunsch dafür, mit einer Rate</translation>
        </message>
        <message>
            <source>a wish such as 'core = 160 MHz', 'core at least 100 MHz' or 'core as high as possible'</source>
            <translation>ein Wunsch wie 'core = 160 MHz', 'core at least 100 MHz' oder 'core as high as possible'</translation>
        </message>
        <message>
            <source>a word behind it</source>
            <translation>ein Wort dahinter</translation>
        </message>
        <message>
            <source>a worst case is {}, {}, asked {}</source>
            <translation>ein schlimmster Fall ist {}, {}, verlangt {}</translation>
        </message>
        <message>
            <source>a write such as "POWER.REST[2:0] = 2" or "KEY.ALL = 0x3B", or {{ wait = "interrupt" }}</source>
            <translation>ein Schreibzugriff wie "POWER.REST[2:0] = 2" oder "KEY.ALL = 0x3B", oder {{ wait = "interrupt" }}</translation>
        </message>
        <message>
            <source>across the crystal</source>
            <translation>über dem Quarz</translation>
        </message>
        <message>
            <source>add</source>
            <translation>hinzufügen</translation>
        </message>
        <message>
            <source>address</source>
            <translation>Adresse</translation>
        </message>
        <message>
            <source>adds up to</source>
            <translation>ergibt zusammen</translation>
        </message>
        <message>
            <source>after</source>
            <translation>nach</translation>
        </message>
        <message>
            <source>after an error flag</source>
            <translation>nach einem Fehlerflag</translation>
        </message>
        <message>
            <source>after its flag is cleared, else it fires at once</source>
            <translation>nachdem sein Merkmal gelöscht ist, sonst feuert es sofort</translation>
        </message>
        <message>
            <source>after waking</source>
            <translation>nach dem Aufwachen</translation>
        </message>
        <message>
            <source>after waking from {}</source>
            <translation>nach dem Aufwachen aus {}</translation>
        </message>
        <message>
            <source>ageing</source>
            <translation>Alterung</translation>
        </message>
        <message>
            <source>alarm</source>
            <translation>Alarm</translation>
        </message>
        <message>
            <source>alarm × repeats ÷ pace of the calendar</source>
            <translation>Alarm × Wiederholungen ÷ Gang des Kalenders</translation>
        </message>
        <message>
            <source>all</source>
            <translation>alle</translation>
        </message>
        <message numerus="yes">
            <source>all %n signals stand on pins of their own</source>
            <translation>
                <numerusform>%n Signal steht auf eigenem Pin</numerusform>
                <numerusform>alle %n Signale stehen auf eigenen Pins</numerusform>
            </translation>
        </message>
        <message>
            <source>all else as it is</source>
            <translation>alles andere wie es ist</translation>
        </message>
        <message>
            <source>all holds again</source>
            <translation>alles gilt wieder</translation>
        </message>
        <message>
            <source>all holds again after {} at the latest</source>
            <translation>alles gilt wieder nach spätestens {}</translation>
        </message>
        <message>
            <source>all promises hold again</source>
            <translation>alle Zusagen gelten wieder</translation>
        </message>
        <message>
            <source>all signals routed</source>
            <translation>alle Signale gelegt</translation>
        </message>
        <message>
            <source>all that it can be apart, as what it moves with the temperature is not told</source>
            <translation>alles, was es auseinanderliegen kann, da nicht gesagt ist, wie es sich mit der Temperatur bewegt</translation>
        </message>
        <message>
            <source>all together</source>
            <translation>alles zusammen</translation>
        </message>
        <message>
            <source>all together, of what the port has</source>
            <translation>alle zusammen, von dem, was der Port hat</translation>
        </message>
        <message>
            <source>allows</source>
            <translation>erlaubt</translation>
        </message>
        <message>
            <source>allows tier </source>
            <translation>erlaubt Stufe </translation>
        </message>
        <message>
            <source>alone</source>
            <translation>allein</translation>
        </message>
        <message>
            <source>always</source>
            <translation>immer</translation>
        </message>
        <message>
            <source>always drawn</source>
            <translation>immer gezogen</translation>
        </message>
        <message>
            <source>an alarm without a calendar</source>
            <translation>ein Alarm ohne Kalender</translation>
        </message>
        <message>
            <source>an array of {}</source>
            <translation>ein Feld aus {}</translation>
        </message>
        <message>
            <source>an ask without a name or a verb</source>
            <translation>ein Verlangen ohne Namen oder Verb</translation>
        </message>
        <message>
            <source>an efficiency above 0 and up to 100 %</source>
            <translation>ein Wirkungsgrad über 0 und bis 100 %</translation>
        </message>
        <message>
            <source>an empty list</source>
            <translation>eine leere Liste</translation>
        </message>
        <message>
            <source>an empty range</source>
            <translation>ein leerer Bereich</translation>
        </message>
        <message>
            <source>an empty range, {} to {}</source>
            <translation>ein leerer Bereich, {} bis {}</translation>
        </message>
        <message>
            <source>an entry of a meeting is missing</source>
            <translation>ein Eintrag einer Begegnung fehlt</translation>
        </message>
        <message>
            <source>an entry of the ask is missing</source>
            <translation>ein Eintrag des Verlangens fehlt</translation>
        </message>
        <message>
            <source>an entry of the kind is missing</source>
            <translation>ein Eintrag der Art fehlt</translation>
        </message>
        <message>
            <source>an event</source>
            <translation>ein Ereignis</translation>
        </message>
        <message>
            <source>an exact one</source>
            <translation>eine exakte</translation>
        </message>
        <message>
            <source>an example of which nothing follows</source>
            <translation>ein Beispiel, aus dem nichts folgt</translation>
        </message>
        <message>
            <source>an id '0x123', a range '0x100..0x17f', a pair '0x100,0x200' or a mask '0x100&amp;0x7f0'</source>
            <translation>eine Kennung '0x123', ein Bereich '0x100..0x17f', ein Paar '0x100,0x200' oder eine Maske '0x100&amp;0x7f0'</translation>
        </message>
        <message>
            <source>an id of its own</source>
            <translation>eine eigene Kennung</translation>
        </message>
        <message>
            <source>an id of its own (it stands in line {} already)</source>
            <translation>eine eigene Kennung (sie steht schon in Zeile {})</translation>
        </message>
        <message>
            <source>an id such as '0x123', up to 0x1fffffff</source>
            <translation>eine Kennung wie '0x123', bis 0x1fffffff</translation>
        </message>
        <message>
            <source>an interrupt</source>
            <translation>ein Interrupt</translation>
        </message>
        <message>
            <source>an odd divider's halves differ by one cycle</source>
            <translation>die Hälften eines ungeraden Teilers unterscheiden sich um einen Zyklus</translation>
        </message>
        <message>
            <source>an offset of '{}', which stands in no block</source>
            <translation>ein Versatz von „{}“, das in keinem Block steht</translation>
        </message>
        <message>
            <source>an option word with no choice</source>
            <translation>ein Optionswort ohne Wahl</translation>
        </message>
        <message>
            <source>and %1 more</source>
            <translation>und %1 weitere</translation>
        </message>
        <message>
            <source>and more</source>
            <translation>und mehr</translation>
        </message>
        <message>
            <source>another id</source>
            <translation>eine andere Kennung</translation>
        </message>
        <message>
            <source>another reset setting, or another limit</source>
            <translation>eine andere Reseteinstellung, oder eine andere Grenze</translation>
        </message>
        <message>
            <source>another value, or another supply or tier</source>
            <translation>ein anderer Wert, oder eine andere Versorgung oder Stufe</translation>
        </message>
        <message>
            <source>answer</source>
            <translation>Antwort</translation>
        </message>
        <message>
            <source>any interrupt</source>
            <translation>jeder Interrupt</translation>
        </message>
        <message>
            <source>any interrupt ends it</source>
            <translation>jeder Interrupt beendet es</translation>
        </message>
        <message>
            <source>any of %1 rates</source>
            <translation>eine von %1 Raten</translation>
        </message>
        <message>
            <source>any rate</source>
            <translation>jede Rate</translation>
        </message>
        <message>
            <source>as fast as %1, for %2</source>
            <translation>so schnell wie %1, für %2</translation>
        </message>
        <message>
            <source>as fast as {} without waiting</source>
            <translation>so schnell wie {} ohne zu warten</translation>
        </message>
        <message>
            <source>as fitted</source>
            <translation>wie bestückt</translation>
        </message>
        <message>
            <source>as high as possible</source>
            <translation>so hoch wie möglich</translation>
        </message>
        <message>
            <source>as it is</source>
            <translation>wie sie ist</translation>
        </message>
        <message>
            <source>as it was opened</source>
            <translation>wie geöffnet</translation>
        </message>
        <message>
            <source>as long as every condition still holds</source>
            <translation>solange jede Bedingung noch gilt</translation>
        </message>
        <message>
            <source>as low as possible</source>
            <translation>so tief wie möglich</translation>
        </message>
        <message>
            <source>as planned</source>
            <translation>wie geplant</translation>
        </message>
        <message>
            <source>as the desktop</source>
            <translation>wie der Desktop</translation>
        </message>
        <message>
            <source>as the take chooses</source>
            <translation>wie die Fassung wählt</translation>
        </message>
        <message>
            <source>as unprogrammed, %1: </source>
            <translation>wie unprogrammiert, %1: </translation>
        </message>
        <message>
            <source>asked</source>
            <translation>verlangt</translation>
        </message>
        <message>
            <source>asked at most </source>
            <translation>verlangt höchstens </translation>
        </message>
        <message>
            <source>asked in SCPI over TCP; nothing is connected</source>
            <translation>gefragt wird mit SCPI über TCP; nichts ist verbunden</translation>
        </message>
        <message>
            <source>asked × f</source>
            <translation>verlangt × f</translation>
        </message>
        <message>
            <source>assumed: all that the part allows; Enter twice says it is so, or type how it is</source>
            <translation>angenommen: alles, was der Baustein erlaubt; zweimal Enter bestätigt es, oder tippen Sie, wie es ist</translation>
        </message>
        <message>
            <source>at any rate: its clock goes on</source>
            <translation>bei jeder Rate: sein Takt läuft weiter</translation>
        </message>
        <message>
            <source>at latest</source>
            <translation>spätestens</translation>
        </message>
        <message>
            <source>at least</source>
            <translation>mindestens</translation>
        </message>
        <message>
            <source>at least </source>
            <translation>mindestens </translation>
        </message>
        <message>
            <source>at least one [[take]] with a name</source>
            <translation>mindestens ein [[take]] mit einem Namen</translation>
        </message>
        <message>
            <source>at least one factor</source>
            <translation>mindestens ein Faktor</translation>
        </message>
        <message>
            <source>at least one of them</source>
            <translation>mindestens eines davon</translation>
        </message>
        <message>
            <source>at least one pair such as ["25 C", "140 uA"]</source>
            <translation>mindestens ein Paar wie ["25 C", "140 uA"]</translation>
        </message>
        <message>
            <source>at least {}</source>
            <translation>mindestens {}</translation>
        </message>
        <message>
            <source>at least {}: a smaller peak, a larger cell or a capacitor beside it</source>
            <translation>mindestens {}: eine kleinere Spitze, eine größere Zelle oder ein Kondensator daneben</translation>
        </message>
        <message>
            <source>at most</source>
            <translation>höchstens</translation>
        </message>
        <message>
            <source>at most </source>
            <translation>höchstens </translation>
        </message>
        <message>
            <source>at most 100 %</source>
            <translation>höchstens 100 %</translation>
        </message>
        <message>
            <source>at most 100 %, wake-ups, start-ups and interrupts included</source>
            <translation>höchstens 100 %, Aufwachen, Anläufe und Interrupts eingeschlossen</translation>
        </message>
        <message>
            <source>at most 256 bits</source>
            <translation>höchstens 256 Bit</translation>
        </message>
        <message>
            <source>at most 2^{} = {}</source>
            <translation>höchstens 2^{} = {}</translation>
        </message>
        <message>
            <source>at most 70 %, so that what comes late still finds room</source>
            <translation>höchstens 70 %, damit noch Platz findet, was zu spät kommt</translation>
        </message>
        <message>
            <source>at most 8</source>
            <translation>höchstens 8</translation>
        </message>
        <message>
            <source>at most {}</source>
            <translation>höchstens {}</translation>
        </message>
        <message>
            <source>at most {} multipliers, {} outputs of each and {} buses; write more into the text</source>
            <translation>höchstens {} Vervielfacher, {} Ausgänge von jedem und {} Busse; schreiben Sie mehr in den Text</translation>
        </message>
        <message>
            <source>at most {}{}</source>
            <translation>höchstens {}{}</translation>
        </message>
        <message>
            <source>at reset the line '{}' runs at {}</source>
            <translation>nach dem Reset läuft die Leitung „{}“ mit {}</translation>
        </message>
        <message>
            <source>at rest in {}</source>
            <translation>in Ruhe in {}</translation>
        </message>
        <message>
            <source>at the corners</source>
            <translation>an den Ecken</translation>
        </message>
        <message>
            <source>at the fastest clock</source>
            <translation>beim schnellsten Takt</translation>
        </message>
        <message>
            <source>at the latest</source>
            <translation>spätestens</translation>
        </message>
        <message>
            <source>at the peak of {} the fresh battery falls to {}</source>
            <translation>bei der Spitze von {} fällt die frische Batterie auf {}</translation>
        </message>
        <message>
            <source>at the slowest clock</source>
            <translation>beim langsamsten Takt</translation>
        </message>
        <message>
            <source>at the slowest core</source>
            <translation>beim langsamsten Kern</translation>
        </message>
        <message>
            <source>at the worst single temperature</source>
            <translation>bei der schlimmsten einzelnen Temperatur</translation>
        </message>
        <message>
            <source>at worst</source>
            <translation>schlimmstenfalls</translation>
        </message>
        <message>
            <source>at {}</source>
            <translation>bei {}</translation>
        </message>
        <message>
            <source>average</source>
            <translation>Mittel</translation>
        </message>
        <message>
            <source>average + the regulator's own</source>
            <translation>Mittel + das des Reglers selbst</translation>
        </message>
        <message>
            <source>average and life with rests in</source>
            <translation>Mittel und Lebensdauer mit Ruhe in</translation>
        </message>
        <message>
            <source>average current</source>
            <translation>mittlerer Strom</translation>
        </message>
        <message>
            <source>average × supply ÷ (battery × efficiency) + the regulator's own</source>
            <translation>Mittel × Versorgung ÷ (Batterie × Wirkungsgrad) + das des Reglers selbst</translation>
        </message>
        <message>
            <source>average, life, and the charge of waking from</source>
            <translation>Mittel, Lebensdauer und die Ladung des Aufwachens aus</translation>
        </message>
        <message>
            <source>awake</source>
            <translation>wach</translation>
        </message>
        <message>
            <source>back to %1</source>
            <translation>zurück zu %1</translation>
        </message>
        <message>
            <source>base of {}</source>
            <translation>Grundwert von {}</translation>
        </message>
        <message>
            <source>battery</source>
            <translation>Batterie</translation>
        </message>
        <message>
            <source>before</source>
            <translation>vor</translation>
        </message>
        <message>
            <source>before it began: more than {} lines stand in series</source>
            <translation>bevor sie begann: mehr als {} Leitungen stehen hintereinander</translation>
        </message>
        <message>
            <source>before it is due again after </source>
            <translation>bevor es wieder fällig ist nach </translation>
        </message>
        <message>
            <source>before its end</source>
            <translation>vor ihrem Ende</translation>
        </message>
        <message>
            <source>before that its fields can't be written</source>
            <translation>davor lassen sich seine Felder nicht schreiben</translation>
        </message>
        <message>
            <source>begin a plan</source>
            <translation>einen Plan beginnen</translation>
        </message>
        <message>
            <source>behind the other jobs</source>
            <translation>hinter den anderen Aufgaben</translation>
        </message>
        <message>
            <source>being played or read …</source>
            <translation>wird gespielt oder gelesen …</translation>
        </message>
        <message>
            <source>being played …</source>
            <translation>wird gespielt …</translation>
        </message>
        <message>
            <source>being worked out …</source>
            <translation>wird ausgerechnet …</translation>
        </message>
        <message>
            <source>belongs to no promise</source>
            <translation>gehört zu keiner Zusage</translation>
        </message>
        <message>
            <source>below {}</source>
            <translation>unter {}</translation>
        </message>
        <message>
            <source>best first; Enter pins one</source>
            <translation>der beste zuerst; Enter legt einen fest</translation>
        </message>
        <message>
            <source>between </source>
            <translation>zwischen </translation>
        </message>
        <message>
            <source>between broken lines: what collides</source>
            <translation>zwischen gestrichelten Linien: was kollidiert</translation>
        </message>
        <message>
            <source>between edges</source>
            <translation>zwischen Flanken</translation>
        </message>
        <message>
            <source>between edges to dominant ÷ bits</source>
            <translation>zwischen Flanken zu dominant ÷ Bits</translation>
        </message>
        <message>
            <source>between {} and {} nothing resets the part, and tier {} is not allowed</source>
            <translation>zwischen {} und {} setzt nichts den Baustein zurück, und Stufe {} ist nicht erlaubt</translation>
        </message>
        <message>
            <source>beyond this timer's reach; {}</source>
            <translation>außerhalb der Reichweite dieses Timers; {}</translation>
        </message>
        <message>
            <source>bit</source>
            <translation>Bit</translation>
        </message>
        <message>
            <source>bit %1 of %2; ours may be off from %3 to %4, what is left is the other end's</source>
            <translation>Bit %1 von %2; unseres darf von %3 bis %4 abweichen, was bleibt, gehört der Gegenseite</translation>
        </message>
        <message>
            <source>bit rate</source>
            <translation>Bitrate</translation>
        </message>
        <message>
            <source>bites</source>
            <translation>löst aus</translation>
        </message>
        <message>
            <source>bites after</source>
            <translation>löst aus nach</translation>
        </message>
        <message>
            <source>bites after {}{}{}</source>
            <translation>löst aus nach {}{}{}</translation>
        </message>
        <message>
            <source>bites only after {}{}, asked at latest {}</source>
            <translation>löst erst nach {}{} aus, verlangt spätestens {}</translation>
        </message>
        <message>
            <source>bits + log2(oversampling) ÷ 2, if the noise is white</source>
            <translation>Bits + log2(Überabtastung) ÷ 2, wenn das Rauschen weiß ist</translation>
        </message>
        <message>
            <source>bits inside frames ÷ their time</source>
            <translation>Bits in Rahmen ÷ deren Zeit</translation>
        </message>
        <message>
            <source>bits such as 7:0, or 3</source>
            <translation>Bits wie 7:0, oder 3</translation>
        </message>
        <message>
            <source>bits that it has</source>
            <translation>Bits, die es hat</translation>
        </message>
        <message>
            <source>bits within its register of {}</source>
            <translation>Bits innerhalb seines Registers von {}</translation>
        </message>
        <message>
            <source>board %1%2</source>
            <translation>Platine %1%2</translation>
        </message>
        <message>
            <source>both 'each' and '{}'</source>
            <translation>sowohl 'each' als auch '{}'</translation>
        </message>
        <message>
            <source>both 'id' and 'ids'</source>
            <translation>sowohl 'id' als auch 'ids'</translation>
        </message>
        <message>
            <source>both 'in take' and 'while'</source>
            <translation>sowohl 'in take' als auch 'while'</translation>
        </message>
        <message>
            <source>both 'lasts' and 'cycles'</source>
            <translation>sowohl 'lasts' als auch 'cycles'</translation>
        </message>
        <message>
            <source>both 'rate' and 'rates'</source>
            <translation>sowohl 'rate' als auch 'rates'</translation>
        </message>
        <message>
            <source>both 'step' and 'fraction_bits'</source>
            <translation>sowohl 'step' als auch 'fraction_bits'</translation>
        </message>
        <message>
            <source>both 'steps' and 'from'</source>
            <translation>sowohl 'steps' als auch 'from'</translation>
        </message>
        <message>
            <source>both are high at once, {} since {}</source>
            <translation>beide sind zugleich hoch, {} seit {}</translation>
        </message>
        <message>
            <source>both cursors stand at the same edge</source>
            <translation>beide Zeiger stehen an derselben Flanke</translation>
        </message>
        <message>
            <source>both low</source>
            <translation>beide tief</translation>
        </message>
        <message>
            <source>both low for {}</source>
            <translation>beide {} lang tief</translation>
        </message>
        <message>
            <source>bounds</source>
            <translation>Grenzen</translation>
        </message>
        <message>
            <source>breaks %1</source>
            <translation>bricht %1</translation>
        </message>
        <message>
            <source>bring_up that is no list</source>
            <translation>bring_up, das keine Liste ist</translation>
        </message>
        <message>
            <source>broken</source>
            <translation>gebrochen</translation>
        </message>
        <message>
            <source>broken: {}</source>
            <translation>gebrochen: {}</translation>
        </message>
        <message>
            <source>by its name alone</source>
            <translation>nur nach dem Namen</translation>
        </message>
        <message>
            <source>calibration</source>
            <translation>Kalibrierung</translation>
        </message>
        <message>
            <source>called as the part calls it</source>
            <translation>genannt, wie der Baustein es nennt</translation>
        </message>
        <message>
            <source>can be made by {}.</source>
            <translation>lässt sich durch {} machen.</translation>
        </message>
        <message>
            <source>can fd</source>
            <translation>CAN FD</translation>
        </message>
        <message>
            <source>can't be made at all.</source>
            <translation>lässt sich gar nicht machen.</translation>
        </message>
        <message>
            <source>can't be made: {}</source>
            <translation>lässt sich nicht machen: {}</translation>
        </message>
        <message>
            <source>can't be read</source>
            <translation>nicht lesbar</translation>
        </message>
        <message>
            <source>can't be read: {}</source>
            <translation>nicht lesbar: {}</translation>
        </message>
        <message>
            <source>capacitors</source>
            <translation>Kondensatoren</translation>
        </message>
        <message>
            <source>capacity</source>
            <translation>Kapazität</translation>
        </message>
        <message>
            <source>capacity × usable ÷ (average + fading{}</source>
            <translation>Kapazität × nutzbar ÷ (Mittel + Nachlassen{}</translation>
        </message>
        <message>
            <source>catch up in the data phase</source>
            <translation>in der Datenphase aufholen</translation>
        </message>
        <message>
            <source>catch up within ten bits</source>
            <translation>innerhalb von zehn Bits aufholen</translation>
        </message>
        <message>
            <source>certain</source>
            <translation>gewiss</translation>
        </message>
        <message>
            <source>chained counts</source>
            <translation>verkettete Zählschritte</translation>
        </message>
        <message>
            <source>chained with {}</source>
            <translation>verkettet mit {}</translation>
        </message>
        <message>
            <source>changed by hand, 1 line from the plan</source>
            <translation>von Hand geändert, 1 Zeile neben dem Plan</translation>
        </message>
        <message>
            <source>changed by hand, {} lines from the plan</source>
            <translation>von Hand geändert, {} Zeilen neben dem Plan</translation>
        </message>
        <message>
            <source>changes</source>
            <translation>ändert</translation>
        </message>
        <message>
            <source>changes that were not saved</source>
            <translation>Änderungen, die nicht gespeichert waren</translation>
        </message>
        <message>
            <source>chapter</source>
            <translation>Kapitel</translation>
        </message>
        <message>
            <source>charge of each period by the core's rate; the least at %1</source>
            <translation>Ladung jeder Periode über der Rate des Kerns; am wenigsten bei %1</translation>
        </message>
        <message>
            <source>charging</source>
            <translation>Laden</translation>
        </message>
        <message>
            <source>choose {}, then wait for {}</source>
            <translation>{} wählen, dann auf {} warten</translation>
        </message>
        <message>
            <source>chosen of %1</source>
            <translation>gewählt aus %1</translation>
        </message>
        <message>
            <source>clear its flag</source>
            <translation>sein Merkmal löschen</translation>
        </message>
        <message>
            <source>clear the flag of {}</source>
            <translation>das Merkmal von {} löschen</translation>
        </message>
        <message>
            <source>clock</source>
            <translation>Takt</translation>
        </message>
        <message>
            <source>clock input</source>
            <translation>Takteingang</translation>
        </message>
        <message>
            <source>clock it from {}</source>
            <translation>aus {} takten</translation>
        </message>
        <message>
            <source>clock of bits</source>
            <translation>Takt aus Bits</translation>
        </message>
        <message>
            <source>clock output</source>
            <translation>Taktausgang</translation>
        </message>
        <message>
            <source>clock periods wanted</source>
            <translation>gesuchte Taktperioden</translation>
        </message>
        <message>
            <source>code {}</source>
            <translation>Code {}</translation>
        </message>
        <message>
            <source>codes in order of {} settings</source>
            <translation>Codes in der Reihenfolge von {} Einstellungen</translation>
        </message>
        <message>
            <source>codes that differ</source>
            <translation>Codes, die sich unterscheiden</translation>
        </message>
        <message>
            <source>coefficient × (T − turnover)², at the farthest temperature</source>
            <translation>Koeffizient × (T − Umkehrpunkt)², bei der fernsten Temperatur</translation>
        </message>
        <message>
            <source>command</source>
            <translation>Befehl</translation>
        </message>
        <message>
            <source>compare</source>
            <translation>Vergleich</translation>
        </message>
        <message>
            <source>compare ÷ counts</source>
            <translation>Vergleich ÷ Zählschritte</translation>
        </message>
        <message>
            <source>connected: %1</source>
            <translation>verbunden: %1</translation>
        </message>
        <message>
            <source>connecting …</source>
            <translation>verbindet …</translation>
        </message>
        <message>
            <source>constants and checks, C and C++</source>
            <translation>Konstanten und Prüfungen, C und C++</translation>
        </message>
        <message>
            <source>constants, C++17</source>
            <translation>Konstanten, C++17</translation>
        </message>
        <message>
            <source>constants, Rust</source>
            <translation>Konstanten, Rust</translation>
        </message>
        <message>
            <source>contradiction</source>
            <translation>Widerspruch</translation>
        </message>
        <message>
            <source>conversion</source>
            <translation>Wandlung</translation>
        </message>
        <message>
            <source>converter's clock</source>
            <translation>Takt des Wandlers</translation>
        </message>
        <message>
            <source>copy</source>
            <translation>kopieren</translation>
        </message>
        <message>
            <source>copy all</source>
            <translation>alles kopieren</translation>
        </message>
        <message>
            <source>core</source>
            <translation>Kern</translation>
        </message>
        <message>
            <source>core = "ID"</source>
            <translation>core = "ID"</translation>
        </message>
        <message>
            <source>core &gt;= 100 MHz, 2 uart, can fd, sleep &lt;= 2 uA, 3 pll</source>
            <translation>core &gt;= 100 MHz, 2 uart, can fd, sleep &lt;= 2 uA, 3 pll</translation>
        </message>
        <message>
            <source>core at %1</source>
            <translation>Kern bei %1</translation>
        </message>
        <message>
            <source>core rate</source>
            <translation>Kernrate</translation>
        </message>
        <message>
            <source>could</source>
            <translation>könnte</translation>
        </message>
        <message>
            <source>count × (header + payload ÷ 4, rounded up)</source>
            <translation>Anzahl × (Kopf + Nutzdaten ÷ 4, aufgerundet)</translation>
        </message>
        <message>
            <source>count × words of each</source>
            <translation>Anzahl × Wörter von jedem</translation>
        </message>
        <message>
            <source>counts of a free-running timer</source>
            <translation>Zählschritte eines freilaufenden Timers</translation>
        </message>
        <message>
            <source>counts of seconds without a calendar</source>
            <translation>Sekundenzähler ohne Kalender</translation>
        </message>
        <message>
            <source>counts on</source>
            <translation>zählt weiter</translation>
        </message>
        <message>
            <source>counts up to {}</source>
            <translation>zählt bis {}</translation>
        </message>
        <message>
            <source>counts × a count</source>
            <translation>Zählschritte × ein Zählschritt</translation>
        </message>
        <message>
            <source>counts ÷ f, not shorter at the fastest clock</source>
            <translation>Zählschritte ÷ f, beim schnellsten Takt nicht kürzer</translation>
        </message>
        <message>
            <source>crystal or clock input</source>
            <translation>Quarz oder Takteingang</translation>
        </message>
        <message>
            <source>current</source>
            <translation>Strom</translation>
        </message>
        <message>
            <source>current in run</source>
            <translation>Strom im Lauf</translation>
        </message>
        <message>
            <source>current × share of the time</source>
            <translation>Strom × Anteil der Zeit</translation>
        </message>
        <message>
            <source>current, A</source>
            <translation>Strom, A</translation>
        </message>
        <message>
            <source>cycles ÷ converter's clock</source>
            <translation>Zyklen ÷ Takt des Wandlers</translation>
        </message>
        <message>
            <source>cycles ÷ core{}, in each period</source>
            <translation>Zyklen ÷ Kern{}, in jeder Periode</translation>
        </message>
        <message>
            <source>cycles, with entry and exit as far as the part tells them ÷ (period × core{})</source>
            <translation>Zyklen, mit Eintritt und Austritt, soweit der Baustein sie nennt ÷ (Periode × Kern{})</translation>
        </message>
        <message>
            <source>dark</source>
            <translation>dunkel</translation>
        </message>
        <message>
            <source>dashed: at most</source>
            <translation>gestrichelt: höchstens</translation>
        </message>
        <message>
            <source>dashed: at the worst</source>
            <translation>gestrichelt: schlimmstenfalls</translation>
        </message>
        <message>
            <source>dashed: the sampling there is</source>
            <translation>gestrichelt: das Abtasten dort ist</translation>
        </message>
        <message>
            <source>dashed: with the largest draws</source>
            <translation>gestrichelt: mit dem größten Verbrauch</translation>
        </message>
        <message>
            <source>data</source>
            <translation>Daten</translation>
        </message>
        <message>
            <source>data </source>
            <translation>Daten </translation>
        </message>
        <message>
            <source>data hold</source>
            <translation>Halten der Daten</translation>
        </message>
        <message>
            <source>data prescaler × quanta to the data sample point, in clock periods</source>
            <translation>Datenvorteiler × Quanten bis zum Datenabtastpunkt, in Taktperioden</translation>
        </message>
        <message>
            <source>data set-up</source>
            <translation>Setup der Daten</translation>
        </message>
        <message>
            <source>data stand after</source>
            <translation>Daten stehen nach</translation>
        </message>
        <message>
            <source>dead time</source>
            <translation>Totzeit</translation>
        </message>
        <message>
            <source>dead time and delay to {}</source>
            <translation>Totzeit und Verzögerung zu {}</translation>
        </message>
        <message>
            <source>debugger</source>
            <translation>Debugger</translation>
        </message>
        <message>
            <source>delay compensation</source>
            <translation>Verzögerungsausgleich</translation>
        </message>
        <message>
            <source>delete</source>
            <translation>löschen</translation>
        </message>
        <message>
            <source>denominator of 0</source>
            <translation>Nenner 0</translation>
        </message>
        <message>
            <source>deviations that do not enclose 0</source>
            <translation>Abweichungen, die 0 nicht einschließen</translation>
        </message>
        <message>
            <source>device tree</source>
            <translation>Devicetree</translation>
        </message>
        <message>
            <source>did you mean '{}'?</source>
            <translation>meinten Sie „{}“?</translation>
        </message>
        <message>
            <source>did you mean {}?</source>
            <translation>meinten Sie {}?</translation>
        </message>
        <message>
            <source>division by 0</source>
            <translation>Division durch 0</translation>
        </message>
        <message>
            <source>divisor taken</source>
            <translation>genommener Teiler</translation>
        </message>
        <message>
            <source>does not count; a click makes it a must</source>
            <translation>zählt nicht; ein Klick macht es zum Muss</translation>
        </message>
        <message>
            <source>does not fit: {} at most on {}</source>
            <translation>passt nicht: {} höchstens an {}</translation>
        </message>
        <message>
            <source>does not rest</source>
            <translation>ruht nicht</translation>
        </message>
        <message>
            <source>done after %1 of %2</source>
            <translation>fertig nach %1 von %2</translation>
        </message>
        <message>
            <source>done after %1, comes every %2</source>
            <translation>fertig nach %1, kommt alle %2</translation>
        </message>
        <message>
            <source>done after at most</source>
            <translation>fertig nach höchstens</translation>
        </message>
        <message>
            <source>done as late as {}, and must be done {}{}</source>
            <translation>fertig spätestens nach {}, und muss {}{} fertig sein</translation>
        </message>
        <message>
            <source>down to</source>
            <translation>hinab zu</translation>
        </message>
        <message>
            <source>drag it, or Ctrl+Left and Ctrl+Right; a click: counts or not</source>
            <translation>ziehen, oder Strg+Links und Strg+Rechts; ein Klick: zählt oder nicht</translation>
        </message>
        <message>
            <source>draw of </source>
            <translation>Verbrauch von </translation>
        </message>
        <message>
            <source>draws</source>
            <translation>zieht</translation>
        </message>
        <message>
            <source>draws = {{ base, per_mhz }}</source>
            <translation>draws = {{ base, per_mhz }}</translation>
        </message>
        <message>
            <source>draws = {{ per_mhz }}</source>
            <translation>draws = {{ per_mhz }}</translation>
        </message>
        <message>
            <source>draws = {{ typ, max }}</source>
            <translation>draws = {{ typ, max }}</translation>
        </message>
        <message>
            <source>drift</source>
            <translation>Drift</translation>
        </message>
        <message>
            <source>drive of '{}'</source>
            <translation>Treiberstärke von „{}“</translation>
        </message>
        <message>
            <source>dummy</source>
            <translation>leer</translation>
        </message>
        <message>
            <source>duty</source>
            <translation>Tastgrad</translation>
        </message>
        <message>
            <source>duty × counts, to the nearest</source>
            <translation>Tastgrad × Zählschritte, auf den nächsten</translation>
        </message>
        <message>
            <source>each alone; full marks leave nothing over</source>
            <translation>jedes für sich; volle Marken lassen nichts übrig</translation>
        </message>
        <message>
            <source>each file once</source>
            <translation>jede Datei einmal</translation>
        </message>
        <message>
            <source>each input once</source>
            <translation>jeden Eingang einmal</translation>
        </message>
        <message>
            <source>each lane a job; what it draws is played below; + and − zoom</source>
            <translation>jede Spur eine Aufgabe; was sie zieht, steht unten; + und − vergrößern</translation>
        </message>
        <message>
            <source>each node may be off by, {}</source>
            <translation>jeder Knoten darf daneben liegen um, {}</translation>
        </message>
        <message>
            <source>each on time; the bands are the clock's own bounds</source>
            <translation>jede pünktlich; die Bänder sind die Grenzen des Takts selbst</translation>
        </message>
        <message>
            <source>each pin once</source>
            <translation>jeden Pin einmal</translation>
        </message>
        <message>
            <source>each rate above the one before</source>
            <translation>jede Rate über der davor</translation>
        </message>
        <message>
            <source>each register once</source>
            <translation>jedes Register einmal</translation>
        </message>
        <message>
            <source>each temperature above the one before</source>
            <translation>jede Temperatur über der davor</translation>
        </message>
        <message>
            <source>early</source>
            <translation>zu früh</translation>
        </message>
        <message>
            <source>eight hexadecimal digits, or none</source>
            <translation>acht Sechzehnerziffern, oder keine</translation>
        </message>
        <message>
            <source>else the next rest ends at once</source>
            <translation>sonst endet die nächste Ruhe sofort</translation>
        </message>
        <message>
            <source>elsewhere</source>
            <translation>anderswo</translation>
        </message>
        <message>
            <source>empty at</source>
            <translation>leer bei</translation>
        </message>
        <message>
            <source>end of the last stage</source>
            <translation>Ende der letzten Stufe</translation>
        </message>
        <message>
            <source>end of the last start-up</source>
            <translation>Ende des letzten Anlaufs</translation>
        </message>
        <message>
            <source>ends at</source>
            <translation>endet bei</translation>
        </message>
        <message>
            <source>error</source>
            <translation>Fehler</translation>
        </message>
        <message>
            <source>error × 86400 s</source>
            <translation>Fehler × 86400 s</translation>
        </message>
        <message>
            <source>every change here is a change of the text, and back: Ctrl+Z</source>
            <translation>jede Änderung hier ist eine Änderung des Textes, und zurück: Strg+Z</translation>
        </message>
        <message>
            <source>every {} is beyond the wake-up counter of {}: {}</source>
            <translation>alle {} liegt jenseits des Weckzählers von {}: {}</translation>
        </message>
        <message>
            <source>exact</source>
            <translation>exakt</translation>
        </message>
        <message>
            <source>exact divisor</source>
            <translation>exakter Teiler</translation>
        </message>
        <message>
            <source>expected </source>
            <translation>erwartet: </translation>
        </message>
        <message>
            <source>exponent too large</source>
            <translation>Exponent zu groß</translation>
        </message>
        <message>
            <source>f × speed of its waits</source>
            <translation>f × Tempo seiner Wartezyklen</translation>
        </message>
        <message>
            <source>f ÷ (first × second)</source>
            <translation>f ÷ (erster × zweiter)</translation>
        </message>
        <message>
            <source>f ÷ (master clocks a frame × divide)</source>
            <translation>f ÷ (Mastertakte je Rahmen × Teiler)</translation>
        </message>
        <message>
            <source>f ÷ (prescaler × quanta)</source>
            <translation>f ÷ (Vorteiler × Quanten)</translation>
        </message>
        <message>
            <source>f ÷ ({}prescaler × counts)</source>
            <translation>f ÷ ({}Vorteiler × Zählschritte)</translation>
        </message>
        <message>
            <source>f ÷ divide</source>
            <translation>f ÷ Teiler</translation>
        </message>
        <message>
            <source>f ÷ divide, allowed from {} to {}</source>
            <translation>f ÷ Teiler, erlaubt von {} bis {}</translation>
        </message>
        <message>
            <source>f ÷ the lower of both</source>
            <translation>f ÷ den kleineren von beiden</translation>
        </message>
        <message>
            <source>fades</source>
            <translation>lässt nach</translation>
        </message>
        <message>
            <source>falling to falling</source>
            <translation>Fallen zu Fallen</translation>
        </message>
        <message>
            <source>far off</source>
            <translation>weit daneben</translation>
        </message>
        <message>
            <source>fast plus</source>
            <translation>fast plus</translation>
        </message>
        <message>
            <source>faster than this timer's clock allows; </source>
            <translation>schneller, als der Takt dieses Timers erlaubt; </translation>
        </message>
        <message>
            <source>fastest</source>
            <translation>schnellster</translation>
        </message>
        <message>
            <source>fed</source>
            <translation>gefüttert</translation>
        </message>
        <message>
            <source>fed by {}</source>
            <translation>gefüttert von {}</translation>
        </message>
        <message>
            <source>fed every</source>
            <translation>gefüttert alle</translation>
        </message>
        <message>
            <source>fed in</source>
            <translation>eingespeist</translation>
        </message>
        <message>
            <source>feed {}, it goes on: it bites after {} at the fastest</source>
            <translation>{} füttern, er läuft weiter: er löst frühestens nach {} aus</translation>
        </message>
        <message>
            <source>few changes</source>
            <translation>wenige Änderungen</translation>
        </message>
        <message>
            <source>fewest that reach, or one of the next {} that comes nearer</source>
            <translation>die wenigsten, die reichen, oder eines der nächsten {}, das näher kommt</translation>
        </message>
        <message>
            <source>field</source>
            <translation>Feld</translation>
        </message>
        <message>
            <source>fields</source>
            <translation>Felder</translation>
        </message>
        <message>
            <source>fields as JSON</source>
            <translation>Felder als JSON</translation>
        </message>
        <message>
            <source>fields that do not share bits (the other stands in line {})</source>
            <translation>Felder, die keine Bits teilen (das andere steht in Zeile {})</translation>
        </message>
        <message>
            <source>find a clock</source>
            <translation>einen Takt finden</translation>
        </message>
        <message>
            <source>find on the board</source>
            <translation>auf der Platine finden</translation>
        </message>
        <message>
            <source>finest at this rate</source>
            <translation>feinster bei dieser Rate</translation>
        </message>
        <message>
            <source>finish what {}{}</source>
            <translation>beenden, was {}{}</translation>
        </message>
        <message>
            <source>first instruction</source>
            <translation>erster Befehl</translation>
        </message>
        <message>
            <source>first instruction %1, all holds again %2 (at the latest %3)</source>
            <translation>erster Befehl %1, alles gilt wieder %2 (spätestens %3)</translation>
        </message>
        <message>
            <source>fit %1</source>
            <translation>%1 bestücken</translation>
        </message>
        <message>
            <source>fitted</source>
            <translation>bestückt</translation>
        </message>
        <message>
            <source>fitted, moved by its load</source>
            <translation>bestückt, durch die Last verschoben</translation>
        </message>
        <message>
            <source>fitted; its tolerance is not told: type it too, such as 16 MHz 20 ppm</source>
            <translation>bestückt; seine Toleranz ist nicht gesagt: tippen Sie sie mit, etwa 16 MHz 20 ppm</translation>
        </message>
        <message>
            <source>floor %1</source>
            <translation>Sockel %1</translation>
        </message>
        <message>
            <source>follows %1</source>
            <translation>folgt %1</translation>
        </message>
        <message>
            <source>for memory </source>
            <translation>für Speicher </translation>
        </message>
        <message>
            <source>for which the crystal was cut</source>
            <translation>für die der Quarz geschliffen ist</translation>
        </message>
        <message>
            <source>fractional pll</source>
            <translation>gebrochene PLL</translation>
        </message>
        <message>
            <source>free</source>
            <translation>frei</translation>
        </message>
        <message>
            <source>free it</source>
            <translation>freigeben</translation>
        </message>
        <message>
            <source>free, it would be </source>
            <translation>frei, es wäre </translation>
        </message>
        <message>
            <source>from %1</source>
            <translation>von %1</translation>
        </message>
        <message>
            <source>from data back to nominal</source>
            <translation>von den Daten zurück zum Nominalen</translation>
        </message>
        <message>
            <source>from one source both move together; must be shorter than the bite</source>
            <translation>aus einer Quelle bewegen sich beide zusammen; muss kürzer sein als das Auslösen</translation>
        </message>
        <message>
            <source>from reset</source>
            <translation>ab Reset</translation>
        </message>
        <message>
            <source>from switched on to ready, at most</source>
            <translation>vom Einschalten bis bereit, höchstens</translation>
        </message>
        <message>
            <source>from take %1</source>
            <translation>ab Fassung %1</translation>
        </message>
        <message>
            <source>from take {}</source>
            <translation>ab Fassung {}</translation>
        </message>
        <message>
            <source>from the battery</source>
            <translation>aus der Batterie</translation>
        </message>
        <message>
            <source>from the error flag into data</source>
            <translation>vom Fehlerflag in die Daten</translation>
        </message>
        <message>
            <source>from the latest opening to the earliest bite</source>
            <translation>vom spätesten Öffnen bis zum frühesten Auslösen</translation>
        </message>
        <message>
            <source>from the part</source>
            <translation>aus dem Baustein</translation>
        </message>
        <message>
            <source>from {}</source>
            <translation>aus {}</translation>
        </message>
        <message>
            <source>from {} to {} typical</source>
            <translation>von {} bis {} typisch</translation>
        </message>
        <message>
            <source>from, ÷, ×, ≤, ≥ or draws</source>
            <translation>from, ÷, ×, ≤, ≥ oder draws</translation>
        </message>
        <message>
            <source>frozen: it does not count there</source>
            <translation>eingefroren: dort zählt er nicht</translation>
        </message>
        <message>
            <source>full: what it takes; light: what stands before it; the end: when it is due again, or its limit</source>
            <translation>voll: was es dauert; hell: was davor steht; das Ende: wann es wieder fällig ist, oder seine Grenze</translation>
        </message>
        <message>
            <source>functions in bring-up order</source>
            <translation>Funktionen in der Reihenfolge der Inbetriebnahme</translation>
        </message>
        <message>
            <source>goes on</source>
            <translation>läuft weiter</translation>
        </message>
        <message>
            <source>gone</source>
            <translation>weg</translation>
        </message>
        <message>
            <source>got</source>
            <translation>erreicht</translation>
        </message>
        <message>
            <source>got ÷ asked − 1</source>
            <translation>erreicht ÷ verlangt − 1</translation>
        </message>
        <message>
            <source>grade</source>
            <translation>Klasse</translation>
        </message>
        <message>
            <source>hears its own bits</source>
            <translation>hört die eigenen Bits</translation>
        </message>
        <message>
            <source>high</source>
            <translation>hoch</translation>
        </message>
        <message>
            <source>high contrast</source>
            <translation>hoher Kontrast</translation>
        </message>
        <message>
            <source>high phase</source>
            <translation>hohe Phase</translation>
        </message>
        <message>
            <source>high {} ±{}</source>
            <translation>hoch {} ±{}</translation>
        </message>
        <message>
            <source>high, %</source>
            <translation>hoch, %</translation>
        </message>
        <message>
            <source>high, low</source>
            <translation>hoch, tief</translation>
        </message>
        <message>
            <source>highest</source>
            <translation>höchste</translation>
        </message>
        <message>
            <source>hold their levels</source>
            <translation>halten ihre Pegel</translation>
        </message>
        <message>
            <source>holds 1 for fed in</source>
            <translation>hält 1 für eingespeist</translation>
        </message>
        <message>
            <source>holds 1 for on</source>
            <translation>hält 1 für an</translation>
        </message>
        <message>
            <source>holds a code</source>
            <translation>hält einen Code</translation>
        </message>
        <message>
            <source>holds n</source>
            <translation>hält n</translation>
        </message>
        <message>
            <source>holds {}</source>
            <translation>hält {}</translation>
        </message>
        <message>
            <source>holds.{}, such as "n", "n-1" or a table of codes</source>
            <translation>holds.{}, wie "n", "n-1" oder eine Tabelle von Codes</translation>
        </message>
        <message>
            <source>hollow: take %1</source>
            <translation>hohl: Fassung %1</translation>
        </message>
        <message>
            <source>hollow: the found take</source>
            <translation>hohl: die gefundene Fassung</translation>
        </message>
        <message>
            <source>how long it is between two feeds has no bound</source>
            <translation>wie lang es zwischen zweimal Füttern ist, hat keine Grenze</translation>
        </message>
        <message>
            <source>how long it takes is unknown, and the part names no bit that shows it</source>
            <translation>wie lange es dauert, ist unbekannt, und der Baustein nennt kein Bit, das es zeigt</translation>
        </message>
        <message>
            <source>id = "…"</source>
            <translation>id = "…"</translation>
        </message>
        <message>
            <source>idle line</source>
            <translation>ruhende Leitung</translation>
        </message>
        <message>
            <source>ids of sources and lines, with commas</source>
            <translation>Kennungen von Quellen und Leitungen, mit Kommas</translation>
        </message>
        <message>
            <source>ids such as "uart{{1..3}}", "{{f,g}}_p" or a list of them, 1024 at the most</source>
            <translation>Kennungen wie "uart{{1..3}}", "{{f,g}}_p" oder eine Liste davon, höchstens 1024</translation>
        </message>
        <message>
            <source>if one figure were a tenth worse or better</source>
            <translation>wäre eine Angabe um ein Zehntel schlechter oder besser</translation>
        </message>
        <message>
            <source>if possible</source>
            <translation>wenn möglich</translation>
        </message>
        <message>
            <source>if the core changes</source>
            <translation>wenn sich der Kern ändert</translation>
        </message>
        <message>
            <source>in %, at this clock; the band is what is allowed</source>
            <translation>in %, bei diesem Takt; das Band ist das Erlaubte</translation>
        </message>
        <message>
            <source>in all</source>
            <translation>insgesamt</translation>
        </message>
        <message>
            <source>in another window</source>
            <translation>in einem anderen Fenster</translation>
        </message>
        <message>
            <source>in its {}</source>
            <translation>in seinem {}</translation>
        </message>
        <message>
            <source>in plan</source>
            <translation>im Plan</translation>
        </message>
        <message>
            <source>in run</source>
            <translation>im Lauf</translation>
        </message>
        <message>
            <source>in the documents</source>
            <translation>in der Dokumentation</translation>
        </message>
        <message>
            <source>in tier {}</source>
            <translation>in Stufe {}</translation>
        </message>
        <message>
            <source>in {}</source>
            <translation>in {}</translation>
        </message>
        <message>
            <source>initial + temperature + ageing × years</source>
            <translation>anfangs + Temperatur + Alterung × Jahre</translation>
        </message>
        <message>
            <source>inner resistance</source>
            <translation>Innenwiderstand</translation>
        </message>
        <message>
            <source>interrupts of the {}</source>
            <translation>Interrupts von {}</translation>
        </message>
        <message>
            <source>into {}, until something wakes it</source>
            <translation>in {}, bis ihn etwas weckt</translation>
        </message>
        <message>
            <source>is %1, %2, </source>
            <translation>ist %1, %2, </translation>
        </message>
        <message>
            <source>is off by</source>
            <translation>weicht ab um</translation>
        </message>
        <message>
            <source>it belongs by its name</source>
            <translation>sie gehört dem Namen nach dazu</translation>
        </message>
        <message>
            <source>it can't be read</source>
            <translation>es ist nicht lesbar</translation>
        </message>
        <message>
            <source>it counts in one direction only, so that no pulse stands in the middle of its period</source>
            <translation>er zählt nur in eine Richtung, also steht kein Puls in der Mitte seiner Periode</translation>
        </message>
        <message>
            <source>it counts on: the longest rest must be shorter than the earliest bite</source>
            <translation>er zählt weiter: die längste Ruhe muss kürzer sein als das früheste Auslösen</translation>
        </message>
        <message>
            <source>it does not rest, but runs on</source>
            <translation>er ruht nicht, sondern läuft weiter</translation>
        </message>
        <message>
            <source>it does not say at which supply it runs</source>
            <translation>er sagt nicht, bei welcher Versorgung er läuft</translation>
        </message>
        <message>
            <source>it does not say what that draws</source>
            <translation>er sagt nicht, was das zieht</translation>
        </message>
        <message>
            <source>it does not say which pins it has</source>
            <translation>er sagt nicht, welche Pins er hat</translation>
        </message>
        <message>
            <source>it gives no limit of {}</source>
            <translation>er nennt keine Grenze von {}</translation>
        </message>
        <message>
            <source>it has no clock there; it goes on after the wake-up</source>
            <translation>er hat dort keinen Takt; er läuft nach dem Aufwachen weiter</translation>
        </message>
        <message>
            <source>it has no line '{}'</source>
            <translation>er hat keine Leitung „{}“</translation>
        </message>
        <message>
            <source>it has no mode '{}'</source>
            <translation>er hat keinen Modus „{}“</translation>
        </message>
        <message>
            <source>it has no {}</source>
            <translation>er hat kein {}</translation>
        </message>
        <message>
            <source>it has {}: {}</source>
            <translation>er hat {}: {}</translation>
        </message>
        <message>
            <source>it holds in tier {} only</source>
            <translation>es gilt nur in Stufe {}</translation>
        </message>
        <message>
            <source>it is no file</source>
            <translation>es ist keine Datei</translation>
        </message>
        <message>
            <source>it is one of %1</source>
            <translation>es ist eines von %1</translation>
        </message>
        <message>
            <source>it is put on no clock</source>
            <translation>es liegt an keinem Takt</translation>
        </message>
        <message>
            <source>it is taken as {} times the typical figure, by</source>
            <translation>sie gilt als das {}-fache der typischen, bei</translation>
        </message>
        <message>
            <source>it is understood at the highest rate yet: go higher</source>
            <translation>bei der bisher höchsten Rate wird es verstanden: gehen Sie höher</translation>
        </message>
        <message>
            <source>it is understood at the lowest rate yet: begin lower</source>
            <translation>bei der bisher tiefsten Rate wird es verstanden: beginnen Sie tiefer</translation>
        </message>
        <message>
            <source>it loses its clock in </source>
            <translation>verliert seinen Takt in </translation>
        </message>
        <message>
            <source>it never changes</source>
            <translation>es ändert sich nie</translation>
        </message>
        <message>
            <source>it never switches {}: of {}{}</source>
            <translation>es schaltet {} nie: von {}{}</translation>
        </message>
        <message>
            <source>it on there, or the job in another take</source>
            <translation>an, oder die Aufgabe in einer anderen Fassung</translation>
        </message>
        <message>
            <source>it once</source>
            <translation>es einmal</translation>
        </message>
        <message>
            <source>it says too much</source>
            <translation>es sagt zu viel</translation>
        </message>
        <message>
            <source>it stands on one of %1</source>
            <translation>es steht auf einem von %1</translation>
        </message>
        <message>
            <source>it stands outside the part's folder</source>
            <translation>sie steht außerhalb des Ordners des Bausteins</translation>
        </message>
        <message>
            <source>it stands still in {} and would come late</source>
            <translation>er steht in {} still und käme zu spät</translation>
        </message>
        <message>
            <source>it stands there already</source>
            <translation>es steht schon da</translation>
        </message>
        <message>
            <source>it stopped before each rest, a deeper mode, or a job that comes as often</source>
            <translation>er hielte vor jeder Ruhe, ein tieferer Modus, oder eine Aufgabe, die ebenso oft kommt</translation>
        </message>
        <message>
            <source>it takes no crystal</source>
            <translation>es nimmt keinen Quarz</translation>
        </message>
        <message>
            <source>it takes no time</source>
            <translation>es braucht keine Zeit</translation>
        </message>
        <message>
            <source>it was stopped</source>
            <translation>es wurde angehalten</translation>
        </message>
        <message>
            <source>it was understood at none of them</source>
            <translation>bei keiner davon wurde es verstanden</translation>
        </message>
        <message>
            <source>it with 'every'</source>
            <translation>es mit 'every'</translation>
        </message>
        <message>
            <source>its bits are of different lengths</source>
            <translation>seine Bits sind verschieden lang</translation>
        </message>
        <message>
            <source>its bytes</source>
            <translation>seine Bytes</translation>
        </message>
        <message>
            <source>its clock goes on</source>
            <translation>sein Takt läuft weiter</translation>
        </message>
        <message>
            <source>its clock is as {} as {}, and the converter takes {}</source>
            <translation>sein Takt ist so {} wie {}, und der Wandler nimmt {}</translation>
        </message>
        <message>
            <source>its clock must run within %1 of the start bit, to find its middle and that of the last bit</source>
            <translation>sein Takt muss innerhalb von %1 ab dem Startbit laufen, um dessen Mitte und die des letzten Bits zu finden</translation>
        </message>
        <message>
            <source>its clock runs after {} at the longest</source>
            <translation>sein Takt läuft nach längstens {}</translation>
        </message>
        <message>
            <source>its contents are lost in {}</source>
            <translation>sein Inhalt geht verloren in {}</translation>
        </message>
        <message>
            <source>its end value is taken there</source>
            <translation>sein Endwert wird dort genommen</translation>
        </message>
        <message>
            <source>its fields are also those of {}, which can't be kept beside it</source>
            <translation>seine Felder sind auch die von {}, was daneben nicht gehalten werden kann</translation>
        </message>
        <message>
            <source>its handler takes {} of the core at its slowest</source>
            <translation>seine Behandlung nimmt {} vom Kern, wenn er am langsamsten ist</translation>
        </message>
        <message>
            <source>its own interrupt enable</source>
            <translation>seine eigene Interruptfreigabe</translation>
        </message>
        <message>
            <source>its own, beyond the source's bounds</source>
            <translation>seine eigene, jenseits der Grenzen der Quelle</translation>
        </message>
        <message>
            <source>its part of the average</source>
            <translation>sein Teil des Mittels</translation>
        </message>
        <message>
            <source>its record lies on the bench</source>
            <translation>ihre Aufzeichnung liegt auf dem Messplatz</translation>
        </message>
        <message>
            <source>its stamp is behind the plan</source>
            <translation>sein Stempel liegt hinter dem Plan</translation>
        </message>
        <message>
            <source>its supply</source>
            <translation>seine Versorgung</translation>
        </message>
        <message>
            <source>its tolerance</source>
            <translation>seine Toleranz</translation>
        </message>
        <message>
            <source>its trigger makes no such rate: promise '{}'</source>
            <translation>sein Auslöser macht keine solche Rate: Zusage „{}“</translation>
        </message>
        <message>
            <source>its trigger {} is {}</source>
            <translation>sein Auslöser {} ist {}</translation>
        </message>
        <message>
            <source>its {} are told in a list, by tier or control</source>
            <translation>seine {} stehen in einer Liste, nach Stufe oder Einstellung</translation>
        </message>
        <message>
            <source>job</source>
            <translation>Aufgabe</translation>
        </message>
        <message>
            <source>job </source>
            <translation>Aufgabe </translation>
        </message>
        <message>
            <source>job %1</source>
            <translation>Aufgabe %1</translation>
        </message>
        <message>
            <source>job %1 of %2: %3</source>
            <translation>Aufgabe %1 von %2: %3</translation>
        </message>
        <message>
            <source>job '{}'</source>
            <translation>Aufgabe „{}“</translation>
        </message>
        <message>
            <source>job '{}' comes too rarely to be played and is added apart</source>
            <translation>Aufgabe „{}“ kommt zu selten, um gespielt zu werden, und wird für sich hinzugerechnet</translation>
        </message>
        <message>
            <source>job '{}' uses {}, and {} is switched off in take {}</source>
            <translation>Aufgabe „{}“ benutzt {}, und {} ist in Fassung {} abgeschaltet</translation>
        </message>
        <message>
            <source>job {}</source>
            <translation>Aufgabe {}</translation>
        </message>
        <message>
            <source>jobs are being played</source>
            <translation>Aufgaben werden gespielt</translation>
        </message>
        <message>
            <source>jobs that follow each other in a ring</source>
            <translation>Aufgaben, die einander im Kreis folgen</translation>
        </message>
        <message>
            <source>jobs that follow each other in a ring; one comes by itself</source>
            <translation>Aufgaben, die einander im Kreis folgen; eine kommt von selbst</translation>
        </message>
        <message>
            <source>keep</source>
            <translation>behalten</translation>
        </message>
        <message>
            <source>keep %1</source>
            <translation>%1 behalten</translation>
        </message>
        <message>
            <source>keeps.sources or keeps.lines with one of them</source>
            <translation>keeps.sources oder keeps.lines mit einem davon</translation>
        </message>
        <message>
            <source>kept</source>
            <translation>gehalten</translation>
        </message>
        <message>
            <source>kept if possible; a click sets it aside</source>
            <translation>wird gehalten, wenn möglich; ein Klick legt es beiseite</translation>
        </message>
        <message>
            <source>keys</source>
            <translation>Tasten</translation>
        </message>
        <message>
            <source>keys of the template that are left out</source>
            <translation>Schlüssel des Templates, die ausgelassen sind</translation>
        </message>
        <message>
            <source>kind = "rc"</source>
            <translation>kind = "rc"</translation>
        </message>
        <message>
            <source>kind or name</source>
            <translation>Art oder Name</translation>
        </message>
        <message>
            <source>largest draw</source>
            <translation>größter Verbrauch</translation>
        </message>
        <message>
            <source>largest draw of </source>
            <translation>größter Verbrauch von </translation>
        </message>
        <message>
            <source>largest draws, longest wake-ups, slowest core, at the worst single temperature</source>
            <translation>größter Verbrauch, längstes Aufwachen, langsamster Kern, bei der schlimmsten einzelnen Temperatur</translation>
        </message>
        <message>
            <source>lasts %1</source>
            <translation>reicht %1</translation>
        </message>
        <message>
            <source>late</source>
            <translation>zu spät</translation>
        </message>
        <message>
            <source>least</source>
            <translation>mindestens</translation>
        </message>
        <message>
            <source>least </source>
            <translation>mindestens </translation>
        </message>
        <message>
            <source>least %1</source>
            <translation>mindestens %1</translation>
        </message>
        <message>
            <source>least and most prescaler × counts{} ÷ f</source>
            <translation>kleinster und größter Vorteiler × Zählschritte{} ÷ f</translation>
        </message>
        <message>
            <source>least divider</source>
            <translation>kleinster Teiler</translation>
        </message>
        <message>
            <source>least {}, most {}</source>
            <translation>mindestens {}, höchstens {}</translation>
        </message>
        <message>
            <source>leave a way to stay awake while it is looked for</source>
            <translation>lassen Sie einen Weg, wach zu bleiben, solange danach gesehen wird</translation>
        </message>
        <message>
            <source>leave it</source>
            <translation>lassen</translation>
        </message>
        <message>
            <source>leave the ≈ out if the figure is meant as it stands</source>
            <translation>lassen Sie das ≈ weg, wenn die Zahl gemeint ist, wie sie steht</translation>
        </message>
        <message>
            <source>leaves %1</source>
            <translation>lässt %1 übrig</translation>
        </message>
        <message>
            <source>leaves {}</source>
            <translation>lässt {} übrig</translation>
        </message>
        <message>
            <source>left as it stands there, right as the plan would write it</source>
            <translation>links, wie es dort steht, rechts, wie der Plan es schriebe</translation>
        </message>
        <message>
            <source>left out: {}, {}</source>
            <translation>ausgelassen: {}, {}</translation>
        </message>
        <message>
            <source>let in {}</source>
            <translation>{} hineinlassen</translation>
        </message>
        <message>
            <source>let its clock in</source>
            <translation>seinen Takt hineinlassen</translation>
        </message>
        <message>
            <source>let the tick go on</source>
            <translation>den Tick weiterlaufen lassen</translation>
        </message>
        <message>
            <source>life</source>
            <translation>Lebensdauer</translation>
        </message>
        <message>
            <source>lift</source>
            <translation>aufheben</translation>
        </message>
        <message>
            <source>lifted for this search</source>
            <translation>für diese Suche aufgehoben</translation>
        </message>
        <message>
            <source>light</source>
            <translation>hell</translation>
        </message>
        <message>
            <source>limit</source>
            <translation>Grenze</translation>
        </message>
        <message>
            <source>limits of {}</source>
            <translation>Grenzen von {}</translation>
        </message>
        <message>
            <source>line %1: </source>
            <translation>Zeile %1: </translation>
        </message>
        <message>
            <source>line or control</source>
            <translation>Leitung oder Einstellung</translation>
        </message>
        <message>
            <source>line {}: </source>
            <translation>Zeile {}: </translation>
        </message>
        <message>
            <source>line, source or peripheral</source>
            <translation>Leitung, Quelle oder Peripherie</translation>
        </message>
        <message>
            <source>lines refer to job '{}': it must be called by one word</source>
            <translation>Zeilen beziehen sich auf die Aufgabe „{}“: ihr Name muss ein Wort sein</translation>
        </message>
        <message>
            <source>lines refer to take '{}': it must be called by one word</source>
            <translation>Zeilen beziehen sich auf die Fassung „{}“: ihr Name muss ein Wort sein</translation>
        </message>
        <message>
            <source>lines such as #define UART1_RATE_ADDR 0x40001000 and #define UART1_RATE_DIV_Pos 4</source>
            <translation>Zeilen wie #define UART1_RATE_ADDR 0x40001000 und #define UART1_RATE_DIV_Pos 4</translation>
        </message>
        <message>
            <source>lines that end at a source</source>
            <translation>Leitungen, die an einer Quelle enden</translation>
        </message>
        <message>
            <source>little current</source>
            <translation>wenig Strom</translation>
        </message>
        <message>
            <source>live</source>
            <translation>live</translation>
        </message>
        <message>
            <source>ln(0.7 ÷ 0.3) × R × C, from 30 % to 70 % of the supply</source>
            <translation>ln(0,7 ÷ 0,3) × R × C, von 30 % bis 70 % der Versorgung</translation>
        </message>
        <message>
            <source>load</source>
            <translation>Last</translation>
        </message>
        <message>
            <source>load of the core</source>
            <translation>Last des Kerns</translation>
        </message>
        <message>
            <source>lock on {}</source>
            <translation>Einrasten an {}</translation>
        </message>
        <message>
            <source>locked in the take</source>
            <translation>in der Fassung gesperrt</translation>
        </message>
        <message>
            <source>long enough for the rise and the grade's set-up, at the fastest clock</source>
            <translation>lang genug für den Anstieg und das Setup der Klasse, beim schnellsten Takt</translation>
        </message>
        <message>
            <source>longer than 2^62 periods of its clock, which is as far as is counted here; {}</source>
            <translation>länger als 2^62 Perioden seines Takts, weiter wird hier nicht gezählt; {}</translation>
        </message>
        <message>
            <source>longest + (slowest − 1) × interval of what times it</source>
            <translation>längste + (langsamster − 1) × Abstand dessen, was ihn taktet</translation>
        </message>
        <message>
            <source>longest cable</source>
            <translation>längstes Kabel</translation>
        </message>
        <message>
            <source>longest rest {}</source>
            <translation>längste Ruhe {}</translation>
        </message>
        <message>
            <source>longest stages</source>
            <translation>längste Stufen</translation>
        </message>
        <message>
            <source>longest stages and start-ups</source>
            <translation>längste Stufen und Anläufe</translation>
        </message>
        <message>
            <source>longest stages of waking + done after, awake</source>
            <translation>längste Stufen des Aufwachens + fertig nach, wach</translation>
        </message>
        <message>
            <source>longest {}</source>
            <translation>längste {}</translation>
        </message>
        <message>
            <source>looking: %1 routes done, %2 wait, %3 settings</source>
            <translation>sucht: %1 Wege fertig, %2 warten, %3 Einstellungen</translation>
        </message>
        <message>
            <source>low</source>
            <translation>tief</translation>
        </message>
        <message>
            <source>low + high + rise + fall</source>
            <translation>tief + hoch + Anstieg + Abfall</translation>
        </message>
        <message>
            <source>low phase</source>
            <translation>tiefe Phase</translation>
        </message>
        <message>
            <source>low {}, high {} at least</source>
            <translation>tief mindestens {}, hoch mindestens {}</translation>
        </message>
        <message>
            <source>lowest</source>
            <translation>niedrigste</translation>
        </message>
        <message>
            <source>lowest and highest rate</source>
            <translation>tiefste und höchste Rate</translation>
        </message>
        <message>
            <source>lowest ÷ {}, not understood just above ÷ {}</source>
            <translation>tiefste ÷ {}, knapp darüber nicht verstanden ÷ {}</translation>
        </message>
        <message>
            <source>made in line %1 (F12)</source>
            <translation>gemacht in Zeile %1 (F12)</translation>
        </message>
        <message>
            <source>make active</source>
            <translation>aktivieren</translation>
        </message>
        <message>
            <source>margin %1, wished 5 or more</source>
            <translation>Reserve %1, gewünscht sind 5 oder mehr</translation>
        </message>
        <message>
            <source>master clock</source>
            <translation>Mastertakt</translation>
        </message>
        <message>
            <source>master clock ÷ (master clocks a frame ÷ bits of a frame)</source>
            <translation>Mastertakt ÷ (Mastertakte je Rahmen ÷ Bits je Rahmen)</translation>
        </message>
        <message>
            <source>max not below typ</source>
            <translation>max nicht unter typ</translation>
        </message>
        <message>
            <source>may change in this search; a click holds it</source>
            <translation>darf sich bei dieser Suche ändern; ein Klick hält es fest</translation>
        </message>
        <message>
            <source>measured on this board</source>
            <translation>auf dieser Platine gemessen</translation>
        </message>
        <message>
            <source>memory</source>
            <translation>Speicher</translation>
        </message>
        <message>
            <source>memory port</source>
            <translation>Speicherport</translation>
        </message>
        <message>
            <source>min(PS1, PS2) ÷ (2 ((6 DBT − PS2_D) BRP_D/BRP_N + 7 NBT))</source>
            <translation>min(PS1, PS2) ÷ (2 ((6 DBT − PS2_D) BRP_D/BRP_N + 7 NBT))</translation>
        </message>
        <message>
            <source>min(PS1, PS2) ÷ (2 (13 NBT − PS2))</source>
            <translation>min(PS1, PS2) ÷ (2 (13 NBT − PS2))</translation>
        </message>
        <message>
            <source>min, nominal, max rising</source>
            <translation>min, nominal, max steigend</translation>
        </message>
        <message>
            <source>mode</source>
            <translation>Modus</translation>
        </message>
        <message>
            <source>more than a thousand years</source>
            <translation>mehr als tausend Jahre</translation>
        </message>
        <message>
            <source>more than one of 'every', 'about' and 'after'</source>
            <translation>mehr als eines von 'every', 'about' und 'after'</translation>
        </message>
        <message>
            <source>most</source>
            <translation>höchstens</translation>
        </message>
        <message>
            <source>most </source>
            <translation>höchstens </translation>
        </message>
        <message>
            <source>most %1</source>
            <translation>höchstens %1</translation>
        </message>
        <message>
            <source>must be kept; a click makes it if possible</source>
            <translation>muss gehalten werden; ein Klick: wenn möglich</translation>
        </message>
        <message>
            <source>must be over before {} starts the next one</source>
            <translation>muss vorüber sein, bevor {} den nächsten beginnt</translation>
        </message>
        <message>
            <source>must be shorter than the earliest bite</source>
            <translation>muss kürzer sein als das früheste Auslösen</translation>
        </message>
        <message>
            <source>must keep</source>
            <translation>muss halten</translation>
        </message>
        <message>
            <source>name</source>
            <translation>Name</translation>
        </message>
        <message>
            <source>name and meaning</source>
            <translation>Name und Bedeutung</translation>
        </message>
        <message>
            <source>named %1</source>
            <translation>%1 genannt</translation>
        </message>
        <message>
            <source>narrow field</source>
            <translation>schmales Feld</translation>
        </message>
        <message>
            <source>nearest product, then most counts</source>
            <translation>nächstes Produkt, dann die meisten Zählschritte</translation>
        </message>
        <message>
            <source>nearest product, then nearest duty, then most counts</source>
            <translation>nächstes Produkt, dann nächster Tastgrad, dann die meisten Zählschritte</translation>
        </message>
        <message>
            <source>need it</source>
            <translation>brauchen es</translation>
        </message>
        <message>
            <source>neither 'lasts' nor 'cycles'</source>
            <translation>weder 'lasts' noch 'cycles'</translation>
        </message>
        <message>
            <source>never changes</source>
            <translation>ändert sich nie</translation>
        </message>
        <message>
            <source>never is it safe at both ends of the clock</source>
            <translation>an beiden Enden des Takts zugleich ist es nie sicher</translation>
        </message>
        <message>
            <source>never: it opens as late as {}</source>
            <translation>nie: es öffnet erst nach {}</translation>
        </message>
        <message>
            <source>new</source>
            <translation>neu</translation>
        </message>
        <message>
            <source>no</source>
            <translation>nein</translation>
        </message>
        <message>
            <source>no 'every', 'about' or 'after'</source>
            <translation>kein 'every', 'about' oder 'after'</translation>
        </message>
        <message>
            <source>no 'shows'</source>
            <translation>kein 'shows'</translation>
        </message>
        <message>
            <source>no '{}'</source>
            <translation>kein „{}“</translation>
        </message>
        <message>
            <source>no '{}' in braces</source>
            <translation>kein „{}“ in Klammern</translation>
        </message>
        <message>
            <source>no '{}'{}</source>
            <translation>kein „{}“{}</translation>
        </message>
        <message>
            <source>no &lt;device&gt;</source>
            <translation>kein &lt;device&gt;</translation>
        </message>
        <message>
            <source>no answer to %1 within %2 ms</source>
            <translation>keine Antwort auf %1 innerhalb von %2 ms</translation>
        </message>
        <message>
            <source>no bit of which all stretches between its edges are whole numbers</source>
            <translation>kein Bit, bei dem alle Strecken zwischen seinen Flanken ganze Zahlen sind</translation>
        </message>
        <message>
            <source>no bit of {} can be made 0 by writing it</source>
            <translation>kein Bit von {} wird 0, indem man es schreibt</translation>
        </message>
        <message>
            <source>no bit of {} can be made of {}</source>
            <translation>kein Bit von {} lässt sich aus {} machen</translation>
        </message>
        <message>
            <source>no bound</source>
            <translation>keine Grenze</translation>
        </message>
        <message>
            <source>no bound: {} comes by chance</source>
            <translation>keine Grenze: {} kommt zufällig</translation>
        </message>
        <message>
            <source>no capture '{}' is kept</source>
            <translation>keine Aufzeichnung „{}“ wird behalten</translation>
        </message>
        <message>
            <source>no channels</source>
            <translation>keine Kanäle</translation>
        </message>
        <message>
            <source>no choice of a drive</source>
            <translation>keine Wahl einer Treiberstärke</translation>
        </message>
        <message>
            <source>no clock</source>
            <translation>kein Takt</translation>
        </message>
        <message>
            <source>no clock of its own wakes it</source>
            <translation>kein eigener Takt weckt ihn</translation>
        </message>
        <message>
            <source>no clock: {}</source>
            <translation>kein Takt: {}</translation>
        </message>
        <message>
            <source>no code</source>
            <translation>kein Code</translation>
        </message>
        <message>
            <source>no code '{}' of {} in {}</source>
            <translation>kein Code „{}“ von {} in {}</translation>
        </message>
        <message>
            <source>no code can set it for</source>
            <translation>kein Code kann es setzen für</translation>
        </message>
        <message>
            <source>no code for '{}'</source>
            <translation>kein Code für „{}“</translation>
        </message>
        <message>
            <source>no column 'register'</source>
            <translation>keine Spalte „register“</translation>
        </message>
        <message>
            <source>no command has these letters</source>
            <translation>kein Befehl hat diese Buchstaben</translation>
        </message>
        <message>
            <source>no control '{}'</source>
            <translation>keine Einstellung „{}“</translation>
        </message>
        <message>
            <source>no core rate</source>
            <translation>keine Kernrate</translation>
        </message>
        <message>
            <source>no divider of {} is within the converter's {} to {}</source>
            <translation>kein Teiler von {} liegt innerhalb der {} bis {} des Wandlers</translation>
        </message>
        <message>
            <source>no draw</source>
            <translation>kein Verbrauch</translation>
        </message>
        <message>
            <source>no earlier stage '{}'</source>
            <translation>keine frühere Stufe „{}“</translation>
        </message>
        <message>
            <source>no edge that another one follows</source>
            <translation>keine Flanke, der eine andere folgt</translation>
        </message>
        <message>
            <source>no end of steps</source>
            <translation>kein Ende der Schritte</translation>
        </message>
        <message>
            <source>no field '{}' in {}</source>
            <translation>kein Feld „{}“ in {}</translation>
        </message>
        <message>
            <source>no figure stands there</source>
            <translation>dort steht keine Zahl</translation>
        </message>
        <message>
            <source>no file can be made beside %1</source>
            <translation>neben %1 kann keine Datei angelegt werden</translation>
        </message>
        <message>
            <source>no folder is watched any more</source>
            <translation>kein Ordner wird mehr beobachtet</translation>
        </message>
        <message>
            <source>no form '{}'</source>
            <translation>keine Form „{}“</translation>
        </message>
        <message>
            <source>no format '{}' for '{}'</source>
            <translation>kein Format „{}“ für „{}“</translation>
        </message>
        <message>
            <source>no frame can be read</source>
            <translation>kein Rahmen lässt sich lesen</translation>
        </message>
        <message>
            <source>no frame of this port holds 2 × {}</source>
            <translation>kein Rahmen dieses Ports fasst 2 × {}</translation>
        </message>
        <message>
            <source>no input '{}'</source>
            <translation>kein Eingang „{}“</translation>
        </message>
        <message>
            <source>no instrument is connected</source>
            <translation>kein Messgerät ist verbunden</translation>
        </message>
        <message>
            <source>no jobs yet: Insert adds one, such as 'sense: every 10 s for 20 ms'</source>
            <translation>noch keine Aufgaben: Einfg fügt eine hinzu, etwa 'sense: every 10 s for 20 ms'</translation>
        </message>
        <message>
            <source>no kind of peripheral '{}'</source>
            <translation>keine Art von Peripherie „{}“</translation>
        </message>
        <message>
            <source>no kind of source '{}'</source>
            <translation>keine Art von Quelle „{}“</translation>
        </message>
        <message>
            <source>no letter number {}</source>
            <translation>kein Buchstabe Nummer {}</translation>
        </message>
        <message>
            <source>no level '{}'</source>
            <translation>kein Pegel „{}“</translation>
        </message>
        <message>
            <source>no line '{}'</source>
            <translation>keine Leitung „{}“</translation>
        </message>
        <message>
            <source>no line is open</source>
            <translation>keine Leitung ist offen</translation>
        </message>
        <message>
            <source>no line or peripheral '{}'</source>
            <translation>keine Leitung oder Peripherie „{}“</translation>
        </message>
        <message>
            <source>no memory '{}' in this mode</source>
            <translation>kein Speicher „{}“ in diesem Modus</translation>
        </message>
        <message>
            <source>no message has {}: up to 8 byte, or 12, 16, 20, 24, 32, 48 or 64</source>
            <translation>keine Nachricht hat {}: bis 8 Byte, oder 12, 16, 20, 24, 32, 48 oder 64</translation>
        </message>
        <message>
            <source>no mode '{}'</source>
            <translation>kein Modus „{}“</translation>
        </message>
        <message>
            <source>no mode saves anything</source>
            <translation>kein Modus spart etwas</translation>
        </message>
        <message>
            <source>no more than there are channels</source>
            <translation>nicht mehr, als Kanäle da sind</translation>
        </message>
        <message>
            <source>no other track to read it with</source>
            <translation>keine andere Spur, mit der sie zu lesen wäre</translation>
        </message>
        <message>
            <source>no page has these words</source>
            <translation>keine Seite hat diese Wörter</translation>
        </message>
        <message>
            <source>no part '{}'</source>
            <translation>kein Baustein „{}“</translation>
        </message>
        <message>
            <source>no path has these letters</source>
            <translation>kein Pfad hat diese Buchstaben</translation>
        </message>
        <message>
            <source>no peripheral '{}' on this part</source>
            <translation>keine Peripherie „{}“ auf diesem Baustein</translation>
        </message>
        <message>
            <source>no pin '{}'</source>
            <translation>kein Pin „{}“</translation>
        </message>
        <message>
            <source>no pin stands there</source>
            <translation>da steht kein Pin</translation>
        </message>
        <message>
            <source>no plan is open</source>
            <translation>kein Plan ist offen</translation>
        </message>
        <message>
            <source>no plan was open before</source>
            <translation>bisher war kein Plan offen</translation>
        </message>
        <message>
            <source>no preference '{}'</source>
            <translation>kein Vorzug „{}“</translation>
        </message>
        <message>
            <source>no promise '{}'</source>
            <translation>keine Zusage „{}“</translation>
        </message>
        <message>
            <source>no rate</source>
            <translation>keine Rate</translation>
        </message>
        <message>
            <source>no rate in hertz and wait states stand there</source>
            <translation>da stehen keine Rate in Hertz und keine Wartezyklen</translation>
        </message>
        <message>
            <source>no rate: {}</source>
            <translation>keine Rate: {}</translation>
        </message>
        <message>
            <source>no register</source>
            <translation>kein Register</translation>
        </message>
        <message>
            <source>no register '{}' in this part</source>
            <translation>kein Register „{}“ in diesem Baustein</translation>
        </message>
        <message>
            <source>no register '{}' in {}</source>
            <translation>kein Register „{}“ in {}</translation>
        </message>
        <message>
            <source>no registers were read yet</source>
            <translation>es wurden noch keine Register gelesen</translation>
        </message>
        <message>
            <source>no sequence '{}'</source>
            <translation>keine Folge „{}“</translation>
        </message>
        <message>
            <source>no setting of %1 makes its field hold %2</source>
            <translation>keine Einstellung von %1 lässt sein Feld %2 halten</translation>
        </message>
        <message>
            <source>no signal in use has a choice of pins</source>
            <translation>kein benutztes Signal hat Pins zur Wahl</translation>
        </message>
        <message>
            <source>no source '{}'</source>
            <translation>keine Quelle „{}“</translation>
        </message>
        <message>
            <source>no source or line '{}'</source>
            <translation>keine Quelle oder Leitung „{}“</translation>
        </message>
        <message>
            <source>no source, line or peripheral '{}'</source>
            <translation>keine Quelle, Leitung oder Peripherie „{}“</translation>
        </message>
        <message>
            <source>no start-up</source>
            <translation>kein Anlauf</translation>
        </message>
        <message>
            <source>no style '{}'</source>
            <translation>kein Stil „{}“</translation>
        </message>
        <message>
            <source>no such source or line on this part</source>
            <translation>keine solche Quelle oder Leitung auf diesem Baustein</translation>
        </message>
        <message>
            <source>no take</source>
            <translation>keine Fassung</translation>
        </message>
        <message>
            <source>no take '{}'</source>
            <translation>keine Fassung „{}“</translation>
        </message>
        <message>
            <source>no template '{}'</source>
            <translation>kein Template „{}“</translation>
        </message>
        <message>
            <source>no terminal is named; expected one such as /dev/ttyUSB0</source>
            <translation>es ist kein Terminal genannt; erwartet wird eines wie /dev/ttyUSB0</translation>
        </message>
        <message>
            <source>no tier '{}'</source>
            <translation>keine Stufe „{}“</translation>
        </message>
        <message>
            <source>no tier is allowed</source>
            <translation>keine Stufe ist erlaubt</translation>
        </message>
        <message>
            <source>no tolerance</source>
            <translation>keine Toleranz</translation>
        </message>
        <message>
            <source>no track '{}'</source>
            <translation>keine Spur „{}“</translation>
        </message>
        <message>
            <source>no track is selected</source>
            <translation>keine Spur ist gewählt</translation>
        </message>
        <message>
            <source>no value '{}'</source>
            <translation>kein Wert „{}“</translation>
        </message>
        <message>
            <source>no whole frame</source>
            <translation>kein ganzer Rahmen</translation>
        </message>
        <message>
            <source>no whole high pulse</source>
            <translation>kein ganzer hoher Puls</translation>
        </message>
        <message>
            <source>no word of what the field of '{}' holds</source>
            <translation>kein Wort davon, was das Feld von „{}“ hält</translation>
        </message>
        <message>
            <source>no word of which line clocks the core</source>
            <translation>kein Wort davon, welche Leitung den Kern taktet</translation>
        </message>
        <message>
            <source>no {} '{}'</source>
            <translation>„{1}“ gibt es nicht ({0})</translation>
        </message>
        <message>
            <source>nobody answers there</source>
            <translation>dort antwortet niemand</translation>
        </message>
        <message>
            <source>nominal</source>
            <translation>nominal</translation>
        </message>
        <message>
            <source>none</source>
            <translation>keine</translation>
        </message>
        <message>
            <source>none asked</source>
            <translation>keine verlangt</translation>
        </message>
        <message>
            <source>none of them follows the other</source>
            <translation>keines davon folgt dem anderen</translation>
        </message>
        <message>
            <source>none yet</source>
            <translation>noch keine</translation>
        </message>
        <message>
            <source>none: it always counts 2^bits</source>
            <translation>keine: er zählt immer 2^Bits</translation>
        </message>
        <message>
            <source>not a number</source>
            <translation>keine Zahl</translation>
        </message>
        <message>
            <source>not asked</source>
            <translation>nicht verlangt</translation>
        </message>
        <message>
            <source>not at all</source>
            <translation>gar nicht</translation>
        </message>
        <message>
            <source>not in use; of %1</source>
            <translation>nicht benutzt; von %1</translation>
        </message>
        <message>
            <source>not on its clock of the take</source>
            <translation>nicht auf seinem Takt der Fassung</translation>
        </message>
        <message>
            <source>not seen: %1</source>
            <translation>nicht gesehen: %1</translation>
        </message>
        <message>
            <source>not told</source>
            <translation>nicht angegeben</translation>
        </message>
        <message>
            <source>not told: it must be ready before</source>
            <translation>nicht angegeben: es muss vorher bereit sein</translation>
        </message>
        <message>
            <source>not told: type it, such as %1</source>
            <translation>nicht angegeben: tippen Sie es, etwa %1</translation>
        </message>
        <message>
            <source>not understood at %1</source>
            <translation>nicht verstanden bei %1</translation>
        </message>
        <message>
            <source>not understood just below ÷ {}, highest ÷ {}</source>
            <translation>knapp darunter nicht verstanden ÷ {}, höchste ÷ {}</translation>
        </message>
        <message>
            <source>not used</source>
            <translation>nicht benutzt</translation>
        </message>
        <message>
            <source>not written yet</source>
            <translation>noch nicht geschrieben</translation>
        </message>
        <message>
            <source>note</source>
            <translation>Bemerkung</translation>
        </message>
        <message>
            <source>nothing</source>
            <translation>nichts</translation>
        </message>
        <message>
            <source>nothing after '{}'</source>
            <translation>nichts nach „{}“</translation>
        </message>
        <message>
            <source>nothing asked</source>
            <translation>nichts verlangt</translation>
        </message>
        <message>
            <source>nothing can end a rest in {}</source>
            <translation>nichts kann eine Ruhe in {} beenden</translation>
        </message>
        <message>
            <source>nothing has these letters</source>
            <translation>nichts hat diese Buchstaben</translation>
        </message>
        <message>
            <source>nothing is assumed of the {}</source>
            <translation>von {} ist nichts angenommen</translation>
        </message>
        <message>
            <source>nothing is called '{}'</source>
            <translation>nichts heißt „{}“</translation>
        </message>
        <message>
            <source>nothing is called '{}' that can be lifted</source>
            <translation>nichts heißt „{}“, das sich aufheben ließe</translation>
        </message>
        <message>
            <source>nothing is fitted</source>
            <translation>nichts ist bestückt</translation>
        </message>
        <message>
            <source>nothing is fitted for '{}'</source>
            <translation>für „{}“ ist nichts bestückt</translation>
        </message>
        <message>
            <source>nothing is fitted for {}: the plan has no [board.fitted.{}]</source>
            <translation>für {} ist nichts bestückt: der Plan hat kein [board.fitted.{}]</translation>
        </message>
        <message>
            <source>nothing is written to {}</source>
            <translation>nach {} wird nichts geschrieben</translation>
        </message>
        <message>
            <source>nothing lies on the bench</source>
            <translation>auf dem Messplatz liegt nichts</translation>
        </message>
        <message>
            <source>nothing more</source>
            <translation>nichts mehr</translation>
        </message>
        <message>
            <source>nothing more, or 'if possible'</source>
            <translation>nichts mehr, oder 'if possible'</translation>
        </message>
        <message>
            <source>nothing moved since the last Keep</source>
            <translation>seit dem letzten Behalten hat sich nichts bewegt</translation>
        </message>
        <message>
            <source>nothing of it is called '{}'</source>
            <translation>nichts davon heißt „{}“</translation>
        </message>
        <message>
            <source>nothing stands behind it</source>
            <translation>dahinter steht nichts</translation>
        </message>
        <message>
            <source>nothing that may change</source>
            <translation>nichts, das sich ändern darf</translation>
        </message>
        <message>
            <source>nothing was done yet</source>
            <translation>noch wurde nichts getan</translation>
        </message>
        <message>
            <source>nothing: Ctrl+B locks a clock</source>
            <translation>nichts: Strg+B sperrt einen Takt</translation>
        </message>
        <message>
            <source>now </source>
            <translation>jetzt </translation>
        </message>
        <message>
            <source>of</source>
            <translation>von</translation>
        </message>
        <message>
            <source>of equals sooner, in this order</source>
            <translation>von Gleichen eher, in dieser Reihenfolge</translation>
        </message>
        <message>
            <source>of its regulator, such as fast, low; none where there is no choice</source>
            <translation>seines Reglers, etwa fast, low; keine, wo es keine Wahl gibt</translation>
        </message>
        <message>
            <source>of its tolerance</source>
            <translation>seiner Toleranz</translation>
        </message>
        <message>
            <source>of one of the %1 repeats</source>
            <translation>einer von %1 Wiederholungen</translation>
        </message>
        <message>
            <source>of the average</source>
            <translation>des Mittels</translation>
        </message>
        <message>
            <source>of the capture</source>
            <translation>der Aufzeichnung</translation>
        </message>
        <message>
            <source>of the data phase </source>
            <translation>der Datenphase </translation>
        </message>
        <message>
            <source>of the {} best takes these keep the promises that are judged on whole takes; there may be more</source>
            <translation>von den {} besten Fassungen halten diese die Zusagen, die an ganzen Fassungen beurteilt werden; es mag mehr geben</translation>
        </message>
        <message>
            <source>of the {} promises that share its fields, the settings of every {}th were tried for all</source>
            <translation>von den {} Zusagen, die sich seine Felder teilen, wurden die Einstellungen jeder {}. für alle versucht</translation>
        </message>
        <message>
            <source>of those that the port allows</source>
            <translation>von denen, die der Port erlaubt</translation>
        </message>
        <message>
            <source>off</source>
            <translation>aus</translation>
        </message>
        <message>
            <source>often forgotten</source>
            <translation>wird oft vergessen</translation>
        </message>
        <message>
            <source>on %1</source>
            <translation>auf %1</translation>
        </message>
        <message>
            <source>on time</source>
            <translation>pünktlich</translation>
        </message>
        <message>
            <source>once %1</source>
            <translation>einmal %1</translation>
        </message>
        <message>
            <source>one after the other</source>
            <translation>einer nach dem anderen</translation>
        </message>
        <message>
            <source>one channel</source>
            <translation>ein Kanal</translation>
        </message>
        <message>
            <source>one figure in 'base', or 'typ' and 'max'</source>
            <translation>eine Zahl in 'base', oder 'typ' und 'max'</translation>
        </message>
        <message>
            <source>one figure, or the two that are fitted</source>
            <translation>eine Zahl, oder die zwei, die bestückt sind</translation>
        </message>
        <message>
            <source>one for each of the {} ids</source>
            <translation>einer für jede der {} Kennungen</translation>
        </message>
        <message>
            <source>one for each tier, and slopes on other clocks beside it</source>
            <translation>eine für jede Stufe, und Steigungen an anderen Takten daneben</translation>
        </message>
        <message>
            <source>one mode in which the core runs</source>
            <translation>ein Modus, in dem der Kern läuft</translation>
        </message>
        <message>
            <source>one of 'at_most', 'at_least' and 'equals'</source>
            <translation>eines von 'at_most', 'at_least' und 'equals'</translation>
        </message>
        <message>
            <source>one of 'rates'</source>
            <translation>eine von 'rates'</translation>
        </message>
        <message>
            <source>one of its settings</source>
            <translation>eine ihrer Einstellungen</translation>
        </message>
        <message>
            <source>one of pins.all</source>
            <translation>einer von pins.all</translation>
        </message>
        <message>
            <source>one of them</source>
            <translation>eines davon</translation>
        </message>
        <message>
            <source>one of them: a job runs in a take of its own</source>
            <translation>eines davon: eine Aufgabe läuft in ihrer eigenen Fassung</translation>
        </message>
        <message>
            <source>one of them: a period, a mean interval, or the job that it follows</source>
            <translation>eines davon: eine Periode, ein mittlerer Abstand, oder die Aufgabe, der sie folgt</translation>
        </message>
        <message>
            <source>one of them: how long the job takes, in time or in core cycles</source>
            <translation>eines davon: wie lange die Aufgabe dauert, als Zeit oder in Kernzyklen</translation>
        </message>
        <message>
            <source>one of {}</source>
            <translation>eines von {}</translation>
        </message>
        <message>
            <source>one of {} that it can be set to</source>
            <translation>eines von {}, auf die sie sich stellen lässt</translation>
        </message>
        <message>
            <source>one of {}, or a sum of them</source>
            <translation>eines von {}, oder eine Summe davon</translation>
        </message>
        <message>
            <source>one or more tables</source>
            <translation>eine oder mehr Tabellen</translation>
        </message>
        <message>
            <source>one run of each, as they were due before, and changes of take</source>
            <translation>je ein Lauf, wie sie vorher fällig waren, und Wechsel der Fassung</translation>
        </message>
        <message>
            <source>one that a field of it stands in</source>
            <translation>eines, in dem ein Feld davon steht</translation>
        </message>
        <message>
            <source>one that comes by itself</source>
            <translation>eine, die von selbst kommt</translation>
        </message>
        <message>
            <source>one that fits {} bits</source>
            <translation>eines, das in {} Bit passt</translation>
        </message>
        <message>
            <source>one user for each pin</source>
            <translation>ein Nutzer für jeden Pin</translation>
        </message>
        <message>
            <source>one whole number for each of the rates</source>
            <translation>eine ganze Zahl für jede der Raten</translation>
        </message>
        <message>
            <source>one whole number for each place</source>
            <translation>eine ganze Zahl für jeden Ort</translation>
        </message>
        <message>
            <source>one whole number for each value</source>
            <translation>eine ganze Zahl für jeden Wert</translation>
        </message>
        <message>
            <source>only %1</source>
            <translation>nur %1</translation>
        </message>
        <message>
            <source>only pll, usb may change</source>
            <translation>nur pll, usb dürfen sich ändern</translation>
        </message>
        <message>
            <source>only these may change, and what feeds them</source>
            <translation>nur diese dürfen sich ändern, und was sie speist</translation>
        </message>
        <message>
            <source>only what differs</source>
            <translation>nur was sich unterscheidet</translation>
        </message>
        <message>
            <source>only what feeds %1</source>
            <translation>nur was %1 speist</translation>
        </message>
        <message>
            <source>only {} ends it</source>
            <translation>nur {} beendet es</translation>
        </message>
        <message>
            <source>open</source>
            <translation>öffnen</translation>
        </message>
        <message>
            <source>open a capture</source>
            <translation>Aufzeichnung öffnen</translation>
        </message>
        <message>
            <source>open it with a newer Wise Tick</source>
            <translation>öffnen Sie es mit einem neueren Wise Tick</translation>
        </message>
        <message>
            <source>opens {}</source>
            <translation>öffnet {}</translation>
        </message>
        <message>
            <source>option of {}</source>
            <translation>Option von {}</translation>
        </message>
        <message>
            <source>option word</source>
            <translation>Optionswort</translation>
        </message>
        <message>
            <source>or accept = {{ "{}" = "why" }}</source>
            <translation>oder accept = {{ "{}" = "warum" }}</translation>
        </message>
        <message>
            <source>other bits</source>
            <translation>andere Bits</translation>
        </message>
        <message>
            <source>outside the part, also at rest</source>
            <translation>außerhalb des Bausteins, auch in Ruhe</translation>
        </message>
        <message>
            <source>outside, always</source>
            <translation>außerhalb, immer</translation>
        </message>
        <message>
            <source>outside, while it runs</source>
            <translation>außerhalb, während sie läuft</translation>
        </message>
        <message>
            <source>over its </source>
            <translation>über seinem </translation>
        </message>
        <message>
            <source>over temperature</source>
            <translation>über der Temperatur</translation>
        </message>
        <message>
            <source>over the falling edge, at the fastest clock</source>
            <translation>über der fallenden Flanke, beim schnellsten Takt</translation>
        </message>
        <message>
            <source>over the first %1 edges shown</source>
            <translation>über die ersten %1 gezeigten Flanken</translation>
        </message>
        <message>
            <source>over what is shown</source>
            <translation>über das Gezeigte</translation>
        </message>
        <message>
            <source>over whatever is made from it</source>
            <translation>über allem, was daraus gemacht wird</translation>
        </message>
        <message>
            <source>over {}</source>
            <translation>über {}</translation>
        </message>
        <message>
            <source>over {} instead</source>
            <translation>über {} statt dessen</translation>
        </message>
        <message>
            <source>page %1 of %2</source>
            <translation>Seite %1 von %2</translation>
        </message>
        <message>
            <source>pairs such as ["20 %", "2.9 V"]</source>
            <translation>Paare wie ["20 %", "2.9 V"]</translation>
        </message>
        <message>
            <source>pairs such as ["64 MHz", 1]</source>
            <translation>Paare wie ["64 MHz", 1]</translation>
        </message>
        <message>
            <source>parity</source>
            <translation>Parität</translation>
        </message>
        <message>
            <source>pending</source>
            <translation>offen</translation>
        </message>
        <message>
            <source>period</source>
            <translation>Periode</translation>
        </message>
        <message>
            <source>period, s</source>
            <translation>Periode, s</translation>
        </message>
        <message>
            <source>periods that a feed takes ÷ f</source>
            <translation>Perioden, die ein Füttern braucht ÷ f</translation>
        </message>
        <message>
            <source>periods that leave more room; the figures are those of the last that was played</source>
            <translation>Perioden, die mehr Platz lassen; die Zahlen sind die der letzten, die gespielt wurde</translation>
        </message>
        <message>
            <source>periods that share a multiple; the figures are those of the first 100000, with a bound for the rest</source>
            <translation>Perioden mit gemeinsamem Vielfachen; die Zahlen sind die der ersten 100000, mit einer Schranke für den Rest</translation>
        </message>
        <message>
            <source>peripheral</source>
            <translation>Peripherie</translation>
        </message>
        <message>
            <source>phase 1:</source>
            <translation>Phase 1:</translation>
        </message>
        <message>
            <source>phase 2:</source>
            <translation>Phase 2:</translation>
        </message>
        <message>
            <source>pin for '{}'</source>
            <translation>Pin für „{}“</translation>
        </message>
        <message>
            <source>pin it</source>
            <translation>festlegen</translation>
        </message>
        <message>
            <source>pinned</source>
            <translation>festgelegt</translation>
        </message>
        <message>
            <source>pinned, not the best</source>
            <translation>festgelegt, nicht der beste</translation>
        </message>
        <message>
            <source>pins</source>
            <translation>Pins</translation>
        </message>
        <message>
            <source>planned %1, found %2</source>
            <translation>geplant %1, gefunden %2</translation>
        </message>
        <message>
            <source>play a board</source>
            <translation>Platine abspielen</translation>
        </message>
        <message>
            <source>port's most</source>
            <translation>das Höchste des Ports</translation>
        </message>
        <message>
            <source>predicted %1 to %2</source>
            <translation>vorhergesagt %1 bis %2</translation>
        </message>
        <message>
            <source>preload</source>
            <translation>Vorladewert</translation>
        </message>
        <message>
            <source>prescaler × counts taken</source>
            <translation>Vorteiler × Zählschritte, genommen</translation>
        </message>
        <message>
            <source>prescaler × counts ÷ f</source>
            <translation>Vorteiler × Zählschritte ÷ f</translation>
        </message>
        <message>
            <source>prescaler × counts ÷ f, long enough at the fastest clock</source>
            <translation>Vorteiler × Zählschritte ÷ f, lang genug beim schnellsten Takt</translation>
        </message>
        <message>
            <source>prescaler × counts{}</source>
            <translation>Vorteiler × Zählschritte{}</translation>
        </message>
        <message>
            <source>prescaler ÷ f</source>
            <translation>Vorteiler ÷ f</translation>
        </message>
        <message>
            <source>promises</source>
            <translation>Zusagen</translation>
        </message>
        <message>
            <source>prototypes of the functions</source>
            <translation>Prototypen der Funktionen</translation>
        </message>
        <message>
            <source>pulse, s</source>
            <translation>Puls, s</translation>
        </message>
        <message>
            <source>rate</source>
            <translation>Rate</translation>
        </message>
        <message>
            <source>rate and source together, at the corners</source>
            <translation>Rate und Quelle zusammen, an den Ecken</translation>
        </message>
        <message>
            <source>rate of frames</source>
            <translation>Rate der Rahmen</translation>
        </message>
        <message>
            <source>rate × lanes ÷ 8, while data flows</source>
            <translation>Rate × Leitungen ÷ 8, während Daten fließen</translation>
        </message>
        <message>
            <source>rate × share of it that the waits leave</source>
            <translation>Rate × Anteil davon, den die Wartezyklen lassen</translation>
        </message>
        <message>
            <source>rate, Hz</source>
            <translation>Rate, Hz</translation>
        </message>
        <message>
            <source>rates above 0</source>
            <translation>Raten über 0</translation>
        </message>
        <message>
            <source>rates that do not rise</source>
            <translation>Raten, die nicht steigen</translation>
        </message>
        <message>
            <source>reach</source>
            <translation>Reichweite</translation>
        </message>
        <message>
            <source>read only</source>
            <translation>nur lesbar</translation>
        </message>
        <message>
            <source>read registers</source>
            <translation>Register lesen</translation>
        </message>
        <message>
            <source>reading clears</source>
            <translation>Lesen löscht</translation>
        </message>
        <message>
            <source>reading {}</source>
            <translation>Lesen von {}</translation>
        </message>
        <message>
            <source>reading {} of a memory of {}</source>
            <translation>Lesen von {} eines Speichers von {}</translation>
        </message>
        <message>
            <source>reading {} takes {}{}, asked at most {}</source>
            <translation>Lesen von {} dauert {}{}, verlangt höchstens {}</translation>
        </message>
        <message>
            <source>rename</source>
            <translation>umbenennen</translation>
        </message>
        <message>
            <source>repeated {} times</source>
            <translation>{}-mal wiederholt</translation>
        </message>
        <message>
            <source>repeats</source>
            <translation>Wiederholungen</translation>
        </message>
        <message>
            <source>repeats × one of them</source>
            <translation>Wiederholungen × eine davon</translation>
        </message>
        <message>
            <source>reset + (rate it shall have ÷ measured − 1) ÷ step, a whole one within its range</source>
            <translation>Reset + (Rate, die es haben soll ÷ gemessen − 1) ÷ Schritt, ein ganzer innerhalb seines Bereichs</translation>
        </message>
        <message>
            <source>resistance</source>
            <translation>Widerstand</translation>
        </message>
        <message>
            <source>resolution</source>
            <translation>Auflösung</translation>
        </message>
        <message>
            <source>rest again when the handler returns</source>
            <translation>wieder ruhen, wenn die Behandlung zurückkehrt</translation>
        </message>
        <message>
            <source>rest in {}</source>
            <translation>Ruhe in {}</translation>
        </message>
        <message>
            <source>rest in {} draws</source>
            <translation>Ruhe in {} zieht</translation>
        </message>
        <message>
            <source>rests here</source>
            <translation>ruht hier</translation>
        </message>
        <message>
            <source>rests in</source>
            <translation>ruht in</translation>
        </message>
        <message>
            <source>rests in %1</source>
            <translation>ruht in %1</translation>
        </message>
        <message>
            <source>rests in {} as planned, at {}</source>
            <translation>ruht in {} wie geplant, bei {}</translation>
        </message>
        <message>
            <source>rests in {} instead of {}</source>
            <translation>ruht in {} statt {}</translation>
        </message>
        <message>
            <source>ripple</source>
            <translation>Welligkeit</translation>
        </message>
        <message>
            <source>rise</source>
            <translation>Anstieg</translation>
        </message>
        <message>
            <source>rising to rising</source>
            <translation>Steigen zu Steigen</translation>
        </message>
        <message>
            <source>rule {}</source>
            <translation>Regel {}</translation>
        </message>
        <message>
            <source>rules that leave a ratio between {} and {}</source>
            <translation>Regeln, die zwischen {} und {} ein Verhältnis lassen</translation>
        </message>
        <message>
            <source>rules that no setting keeps together: '{}' and '{}'</source>
            <translation>Regeln, die keine Einstellung zusammen hält: „{}“ und „{}“</translation>
        </message>
        <message>
            <source>runs at</source>
            <translation>läuft mit</translation>
        </message>
        <message>
            <source>runs at %1</source>
            <translation>läuft mit %1</translation>
        </message>
        <message>
            <source>runs at {}</source>
            <translation>läuft mit {}</translation>
        </message>
        <message>
            <source>runs at {}{}, asked at {}{}</source>
            <translation>läuft mit {}{}, verlangt mit {}{}</translation>
        </message>
        <message>
            <source>rw, ro or wo</source>
            <translation>rw, ro oder wo</translation>
        </message>
        <message>
            <source>safe to feed</source>
            <translation>sicher zu füttern</translation>
        </message>
        <message>
            <source>sampled</source>
            <translation>abgetastet</translation>
        </message>
        <message>
            <source>sampled after the edge</source>
            <translation>abgetastet nach der Flanke</translation>
        </message>
        <message>
            <source>samples for {}{}, and needs {} through {}</source>
            <translation>tastet {}{} lang ab, und braucht {} über {}</translation>
        </message>
        <message>
            <source>samples {} after the edge{}, and the data stand only after {}{}</source>
            <translation>tastet {} nach der Flanke ab{}, und die Daten stehen erst nach {}{}</translation>
        </message>
        <message>
            <source>sampling</source>
            <translation>Abtasten</translation>
        </message>
        <message>
            <source>sampling must last %1 with this source</source>
            <translation>das Abtasten muss bei dieser Quelle %1 dauern</translation>
        </message>
        <message>
            <source>sampling needed</source>
            <translation>nötiges Abtasten</translation>
        </message>
        <message>
            <source>save the plan first: the files stand in folders from its own</source>
            <translation>speichern Sie zuerst den Plan: die Dateien stehen in Ordnern von seinem aus</translation>
        </message>
        <message>
            <source>save the plan first: what is kept stands beside its file</source>
            <translation>speichern Sie zuerst den Plan: was behalten wird, steht neben seiner Datei</translation>
        </message>
        <message>
            <source>save what is needed of {}</source>
            <translation>sichern, was von {} gebraucht wird</translation>
        </message>
        <message>
            <source>say it in days, such as '730 days'</source>
            <translation>sagen Sie es in Tagen, etwa '730 days'</translation>
        </message>
        <message>
            <source>say {}</source>
            <translation>sagen Sie {}</translation>
        </message>
        <message>
            <source>scan</source>
            <translation>Durchgang</translation>
        </message>
        <message>
            <source>second one</source>
            <translation>zweiter</translation>
        </message>
        <message>
            <source>seconds</source>
            <translation>Sekunden</translation>
        </message>
        <message>
            <source>seek</source>
            <translation>suchen</translation>
        </message>
        <message>
            <source>seek a take that keeps it</source>
            <translation>eine Fassung suchen, die sie hält</translation>
        </message>
        <message>
            <source>set the wake-up counter of {} to {} and let it interrupt</source>
            <translation>den Weckzähler von {} auf {} stellen und unterbrechen lassen</translation>
        </message>
        <message>
            <source>set {} of {} to {}</source>
            <translation>{} von {} auf {} stellen</translation>
        </message>
        <message>
            <source>set {} up</source>
            <translation>{} aufsetzen</translation>
        </message>
        <message>
            <source>settings of the same rates</source>
            <translation>Einstellungen derselben Raten</translation>
        </message>
        <message>
            <source>several rows say something of {}</source>
            <translation>mehrere Zeilen sagen etwas über {}</translation>
        </message>
        <message>
            <source>several things are called '{}'</source>
            <translation>mehreres heißt „{}“</translation>
        </message>
        <message>
            <source>share of the charge</source>
            <translation>Anteil an der Ladung</translation>
        </message>
        <message>
            <source>share of the time</source>
            <translation>Anteil an der Zeit</translation>
        </message>
        <message>
            <source>share of the time × current</source>
            <translation>Anteil der Zeit × Strom</translation>
        </message>
        <message>
            <source>shares from 0 % to 100 %, upwards</source>
            <translation>Anteile von 0 % bis 100 %, aufwärts</translation>
        </message>
        <message>
            <source>short table</source>
            <translation>kurze Tabelle</translation>
        </message>
        <message>
            <source>shorter than this timer can count; {}</source>
            <translation>kürzer, als dieser Timer zählen kann; {}</translation>
        </message>
        <message>
            <source>show all</source>
            <translation>alles zeigen</translation>
        </message>
        <message>
            <source>shut off </source>
            <translation>abschalten: </translation>
        </message>
        <message>
            <source>signal</source>
            <translation>Signal</translation>
        </message>
        <message>
            <source>signal with a choice of pins</source>
            <translation>Signal mit Pins zur Wahl</translation>
        </message>
        <message>
            <source>simpler periods and figures</source>
            <translation>einfachere Perioden und Zahlen</translation>
        </message>
        <message>
            <source>single changes are being looked for …</source>
            <translation>einzelne Änderungen werden gesucht …</translation>
        </message>
        <message>
            <source>slow oscillators</source>
            <translation>langsame Oszillatoren</translation>
        </message>
        <message>
            <source>slowest</source>
            <translation>langsamster</translation>
        </message>
        <message>
            <source>smaller figures in part and plan</source>
            <translation>kleinere Zahlen in Baustein und Plan</translation>
        </message>
        <message>
            <source>so no rest may be as long</source>
            <translation>also darf keine Ruhe so lang sein</translation>
        </message>
        <message>
            <source>something else</source>
            <translation>etwas anderes</translation>
        </message>
        <message>
            <source>something unplanned</source>
            <translation>etwas Ungeplantes</translation>
        </message>
        <message>
            <source>sooner by</source>
            <translation>eher um</translation>
        </message>
        <message>
            <source>source</source>
            <translation>Quelle</translation>
        </message>
        <message>
            <source>source or line</source>
            <translation>Quelle oder Leitung</translation>
        </message>
        <message>
            <source>source with a trim</source>
            <translation>Quelle mit einem Abgleich</translation>
        </message>
        <message>
            <source>source, ÷ 4 or 48M</source>
            <translation>Quelle, ÷ 4 oder 48M</translation>
        </message>
        <message>
            <source>speed</source>
            <translation>Tempo</translation>
        </message>
        <message>
            <source>stage of waking from {}</source>
            <translation>Stufe des Aufwachens aus {}</translation>
        </message>
        <message>
            <source>stages of waking</source>
            <translation>Stufen des Aufwachens</translation>
        </message>
        <message>
            <source>stand on after that</source>
            <translation>stehen danach noch</translation>
        </message>
        <message>
            <source>stands still</source>
            <translation>steht still</translation>
        </message>
        <message>
            <source>start</source>
            <translation>Start</translation>
        </message>
        <message>
            <source>start + one channel × conversions</source>
            <translation>Start + ein Kanal × Wandlungen</translation>
        </message>
        <message>
            <source>start {}</source>
            <translation>{} starten</translation>
        </message>
        <message>
            <source>start {} and wait until it is locked</source>
            <translation>{} starten und warten, bis es eingerastet ist</translation>
        </message>
        <message>
            <source>start-up after it</source>
            <translation>Anlauf danach</translation>
        </message>
        <message>
            <source>start-up margin unknown</source>
            <translation>Anlaufreserve unbekannt</translation>
        </message>
        <message>
            <source>start-up of {}</source>
            <translation>Anlauf von {}</translation>
        </message>
        <message>
            <source>start-ups</source>
            <translation>Anläufe</translation>
        </message>
        <message>
            <source>startup = {{ typ, max }}</source>
            <translation>startup = {{ typ, max }}</translation>
        </message>
        <message>
            <source>state a promise about it</source>
            <translation>eine Zusage darüber aufstellen</translation>
        </message>
        <message>
            <source>stays; a click lifts it for this search</source>
            <translation>bleibt; ein Klick hebt es für diese Suche auf</translation>
        </message>
        <message>
            <source>step</source>
            <translation>Schritt</translation>
        </message>
        <message>
            <source>step of the duty</source>
            <translation>Schritt des Tastgrads</translation>
        </message>
        <message>
            <source>steps of {}, asked under {}; at this rate the clock has {} ticks, and {} are needed</source>
            <translation>Schritte von {}, verlangt unter {}; bei dieser Rate hat der Takt {} Ticks, und {} werden gebraucht</translation>
        </message>
        <message>
            <source>steps that bring the nominal nearest to 0</source>
            <translation>Schritte, die das Nominale am nächsten an 0 bringen</translation>
        </message>
        <message>
            <source>stop</source>
            <translation>Stopp</translation>
        </message>
        <message>
            <source>stop </source>
            <translation>anhalten: </translation>
        </message>
        <message>
            <source>stop {}</source>
            <translation>{} anhalten</translation>
        </message>
        <message>
            <source>stop {}: its interrupt would wake the core{}</source>
            <translation>{} anhalten: sein Interrupt weckte den Kern{}</translation>
        </message>
        <message>
            <source>strained</source>
            <translation>knapp</translation>
        </message>
        <message>
            <source>strains</source>
            <translation>macht knapp</translation>
        </message>
        <message>
            <source>strains %1</source>
            <translation>macht %1 knapp</translation>
        </message>
        <message>
            <source>stray</source>
            <translation>Streuung</translation>
        </message>
        <message>
            <source>strays by as much as {}, asked at most {}</source>
            <translation>schwankt um bis zu {}, verlangt höchstens {}</translation>
        </message>
        <message>
            <source>strays by {}, asked at most {}</source>
            <translation>schwankt um {}, verlangt höchstens {}</translation>
        </message>
        <message>
            <source>such as 120 uA</source>
            <translation>etwa 120 uA</translation>
        </message>
        <message>
            <source>such as 4, or 1, 2, 4, or 1 … 16, or 2^0 … 2^7</source>
            <translation>etwa 4, oder 1, 2, 4, oder 1 … 16, oder 2^0 … 2^7</translation>
        </message>
        <message>
            <source>such as 50 MHz</source>
            <translation>etwa 50 MHz</translation>
        </message>
        <message>
            <source>such as 8 MHz, or 4 MHz … 32 MHz</source>
            <translation>etwa 8 MHz, oder 4 MHz … 32 MHz</translation>
        </message>
        <message>
            <source>such as 90 uA at most 120 uA, or 180 uA + 2 uA/MHz</source>
            <translation>etwa 90 uA at most 120 uA, oder 180 uA + 2 uA/MHz</translation>
        </message>
        <message>
            <source>sum</source>
            <translation>Summe</translation>
        </message>
        <message>
            <source>sum, typical and largest</source>
            <translation>Summe, typisch und größtens</translation>
        </message>
        <message>
            <source>sum, typical at {}</source>
            <translation>Summe, typisch bei {}</translation>
        </message>
        <message>
            <source>supply</source>
            <translation>Versorgung</translation>
        </message>
        <message>
            <source>supply or temperature, where it is told above</source>
            <translation>Versorgung oder Temperatur, wo sie oben steht</translation>
        </message>
        <message>
            <source>supply,</source>
            <translation>Versorgung,</translation>
        </message>
        <message>
            <source>switch the wake-up counter of {} off if it was for once</source>
            <translation>den Weckzähler von {} abschalten, wenn er nur einmal diente</translation>
        </message>
        <message>
            <source>sync</source>
            <translation>Sync</translation>
        </message>
        <message>
            <source>table of fields</source>
            <translation>Tabelle der Felder</translation>
        </message>
        <message>
            <source>table {}</source>
            <translation>Tabelle {}</translation>
        </message>
        <message>
            <source>take</source>
            <translation>Fassung</translation>
        </message>
        <message>
            <source>take %1</source>
            <translation>Fassung %1</translation>
        </message>
        <message>
            <source>take %1 %2</source>
            <translation>Fassung %1 %2</translation>
        </message>
        <message>
            <source>take %1 active</source>
            <translation>Fassung %1 aktiv</translation>
        </message>
        <message>
            <source>take %1 added</source>
            <translation>Fassung %1 hinzugefügt</translation>
        </message>
        <message>
            <source>take %1 as found</source>
            <translation>Fassung %1 wie vorgefunden</translation>
        </message>
        <message>
            <source>take %1 copied</source>
            <translation>Fassung %1 kopiert</translation>
        </message>
        <message>
            <source>take %1 deleted</source>
            <translation>Fassung %1 gelöscht</translation>
        </message>
        <message>
            <source>take %1 moved</source>
            <translation>Fassung %1 verschoben</translation>
        </message>
        <message>
            <source>take %1 of %2</source>
            <translation>Fassung %1 von %2</translation>
        </message>
        <message>
            <source>take %1 renamed</source>
            <translation>Fassung %1 umbenannt</translation>
        </message>
        <message>
            <source>take %1 rows</source>
            <translation>%1 Zeilen übernehmen</translation>
        </message>
        <message>
            <source>take %1 rows, %2 unclear</source>
            <translation>%1 Zeilen übernehmen, %2 unklar</translation>
        </message>
        <message>
            <source>take %1: %2</source>
            <translation>Fassung %1: %2</translation>
        </message>
        <message>
            <source>take it out</source>
            <translation>nehmen Sie es heraus</translation>
        </message>
        <message>
            <source>take {}</source>
            <translation>Fassung {}</translation>
        </message>
        <message>
            <source>taken as {} times the typical figure, as the part does not tell it: {}</source>
            <translation>als das {}-fache der typischen Angabe genommen, da der Baustein es nicht sagt: {}</translation>
        </message>
        <message>
            <source>takes that keep all of this at once; a click on a tag: must, if possible, set aside</source>
            <translation>Fassungen, die all das zugleich halten; ein Klick auf ein Schild: muss, wenn möglich, beiseite</translation>
        </message>
        <message>
            <source>takes {} by itself, and must be done {}{}</source>
            <translation>dauert von selbst {}, und muss {}{} fertig sein</translation>
        </message>
        <message>
            <source>takes {} words, the memory has {}</source>
            <translation>nimmt {} Wörter, der Speicher hat {}</translation>
        </message>
        <message>
            <source>talks on a bus</source>
            <translation>spricht auf einem Bus</translation>
        </message>
        <message>
            <source>talks on can</source>
            <translation>spricht auf CAN</translation>
        </message>
        <message>
            <source>talks {}</source>
            <translation>spricht {}</translation>
        </message>
        <message>
            <source>temperature</source>
            <translation>Temperatur</translation>
        </message>
        <message>
            <source>temperature,</source>
            <translation>Temperatur,</translation>
        </message>
        <message>
            <source>temperature, such as 85 C</source>
            <translation>Temperatur wie 85 C</translation>
        </message>
        <message>
            <source>temperatures that do not rise</source>
            <translation>Temperaturen, die nicht steigen</translation>
        </message>
        <message>
            <source>templates that end</source>
            <translation>Templates, die enden</translation>
        </message>
        <message>
            <source>the RC '{}' has no tolerance, so nothing can be said of its corners</source>
            <translation>der RC „{}“ hat keine Toleranz, also lässt sich über seine Ecken nichts sagen</translation>
        </message>
        <message>
            <source>the alarm matches every {}; {}</source>
            <translation>der Alarm trifft alle {}; {}</translation>
        </message>
        <message>
            <source>the average current needs more than 256 bits</source>
            <translation>der mittlere Strom braucht mehr als 256 Bit</translation>
        </message>
        <message>
            <source>the battery fades</source>
            <translation>die Batterie lässt nach</translation>
        </message>
        <message>
            <source>the battery gives {} until it is empty, the board's supply is {}</source>
            <translation>die Batterie gibt {}, bis sie leer ist, die Versorgung der Platine ist {}</translation>
        </message>
        <message>
            <source>the battery holds</source>
            <translation>die Batterie enthält</translation>
        </message>
        <message>
            <source>the battery's own end</source>
            <translation>das eigene Ende der Batterie</translation>
        </message>
        <message>
            <source>the bit that starts it</source>
            <translation>das Bit, das es startet</translation>
        </message>
        <message>
            <source>the bits that both tell</source>
            <translation>die Bits, die beide nennen</translation>
        </message>
        <message>
            <source>the board talks %1 to %2 bit/s, by %3 rates</source>
            <translation>die Platine spricht %1 bis %2 Bit/s, nach %3 Raten</translation>
        </message>
        <message>
            <source>the board's temperatures go beyond the battery's table</source>
            <translation>die Temperaturen der Platine gehen über die Tabelle der Batterie hinaus</translation>
        </message>
        <message>
            <source>the board's temperatures go beyond the table for {}</source>
            <translation>die Temperaturen der Platine gehen über die Tabelle für {} hinaus</translation>
        </message>
        <message>
            <source>the budget adds up to %1</source>
            <translation>das Budget ergibt zusammen %1</translation>
        </message>
        <message>
            <source>the bus has no grade above 3.4 MHz</source>
            <translation>der Bus hat keine Klasse über 3,4 MHz</translation>
        </message>
        <message>
            <source>the bus is held until its clock runs</source>
            <translation>der Bus wird gehalten, bis sein Takt läuft</translation>
        </message>
        <message>
            <source>the channels 1 to {}</source>
            <translation>die Kanäle 1 bis {}</translation>
        </message>
        <message>
            <source>the charge of waking from</source>
            <translation>die Ladung des Aufwachens aus</translation>
        </message>
        <message>
            <source>the clock runs after %1 at the longest</source>
            <translation>der Takt läuft nach längstens %1</translation>
        </message>
        <message>
            <source>the clocks can't be brought back: {}</source>
            <translation>die Takte lassen sich nicht zurückbringen: {}</translation>
        </message>
        <message>
            <source>the code {} for {} = {} and {}</source>
            <translation>der Code {} für {} = {} und {}</translation>
        </message>
        <message>
            <source>the code {} of '{}'</source>
            <translation>der Code {} von „{}“</translation>
        </message>
        <message>
            <source>the core can't be put on another source meanwhile</source>
            <translation>der Kern kann inzwischen nicht auf eine andere Quelle gelegt werden</translation>
        </message>
        <message>
            <source>the core comes back on {}{}</source>
            <translation>der Kern kommt zurück auf {}{}</translation>
        </message>
        <message>
            <source>the core is taken {} of the time at its slowest</source>
            <translation>der Kern ist {} der Zeit belegt, wenn er am langsamsten ist</translation>
        </message>
        <message>
            <source>the core would have no clock</source>
            <translation>der Kern hätte keinen Takt</translation>
        </message>
        <message>
            <source>the corners of</source>
            <translation>die Ecken von</translation>
        </message>
        <message>
            <source>the current</source>
            <translation>der Strom</translation>
        </message>
        <message>
            <source>the current is not known</source>
            <translation>der Strom ist nicht bekannt</translation>
        </message>
        <message>
            <source>the current of</source>
            <translation>der Strom von</translation>
        </message>
        <message>
            <source>the current while it runs for</source>
            <translation>der Strom, während er läuft, für</translation>
        </message>
        <message>
            <source>the currents of the modes need more than 256 bits</source>
            <translation>die Ströme der Modi brauchen mehr als 256 Bit</translation>
        </message>
        <message>
            <source>the data phase is slower than the nominal one</source>
            <translation>die Datenphase ist langsamer als die nominale</translation>
        </message>
        <message>
            <source>the dead time is {} at the fastest clock, asked {}</source>
            <translation>die Totzeit ist {} beim schnellsten Takt, verlangt {}</translation>
        </message>
        <message>
            <source>the debugger</source>
            <translation>der Debugger</translation>
        </message>
        <message>
            <source>the debugger loses the part in {}</source>
            <translation>der Debugger verliert den Baustein in {}</translation>
        </message>
        <message>
            <source>the debugger's</source>
            <translation>für den Debugger</translation>
        </message>
        <message>
            <source>the desk of the selected promise: what its setting does, and every other way</source>
            <translation>das Pult der gewählten Zusage: was ihre Einstellung bewirkt, und jeder andere Weg</translation>
        </message>
        <message>
            <source>the duty nearest to {} is {}, with {} counts</source>
            <translation>der Tastgrad, der {} am nächsten kommt, ist {}, mit {} Zählschritten</translation>
        </message>
        <message>
            <source>the enable of its group</source>
            <translation>die Freigabe seiner Gruppe</translation>
        </message>
        <message>
            <source>the example '{}' does not come out: {}</source>
            <translation>das Beispiel „{}“ kommt nicht heraus: {}</translation>
        </message>
        <message>
            <source>the factor {}</source>
            <translation>der Faktor {}</translation>
        </message>
        <message>
            <source>the fastest up to %1 is taken: %2 ÷ %3</source>
            <translation>genommen wird die schnellste bis %1: %2 ÷ %3</translation>
        </message>
        <message>
            <source>the field '{}' at bits {} to {}</source>
            <translation>das Feld „{}“ in den Bits {} bis {}</translation>
        </message>
        <message>
            <source>the field of its divider</source>
            <translation>das Feld seines Teilers</translation>
        </message>
        <message>
            <source>the field of its drive</source>
            <translation>das Feld seiner Treiberstärke</translation>
        </message>
        <message>
            <source>the field of its factor</source>
            <translation>das Feld seines Faktors</translation>
        </message>
        <message>
            <source>the field of its mux</source>
            <translation>das Feld seines Wählers</translation>
        </message>
        <message>
            <source>the field of its option {}</source>
            <translation>das Feld seiner Option {}</translation>
        </message>
        <message>
            <source>the field of its rate</source>
            <translation>das Feld seiner Rate</translation>
        </message>
        <message>
            <source>the field of the tier</source>
            <translation>das Feld der Stufe</translation>
        </message>
        <message>
            <source>the field of the {}</source>
            <translation>das Feld von {}</translation>
        </message>
        <message>
            <source>the field {} holds up to {}, but {} = {} needs {}</source>
            <translation>das Feld {} fasst bis {}, aber {} = {} braucht {}</translation>
        </message>
        <message>
            <source>the field {} of {} overlaps {} of {}</source>
            <translation>das Feld {} von {} überlappt {} von {}</translation>
        </message>
        <message>
            <source>the fields of{}</source>
            <translation>die Felder von{}</translation>
        </message>
        <message>
            <source>the figures of {} need more than 256 bits</source>
            <translation>die Werte von {} brauchen mehr als 256 Bit</translation>
        </message>
        <message>
            <source>the file '{}' again</source>
            <translation>noch einmal die Datei „{}“</translation>
        </message>
        <message>
            <source>the file as it is now</source>
            <translation>die Datei, wie sie jetzt ist</translation>
        </message>
        <message>
            <source>the first instruction after {} comes in</source>
            <translation>der erste Befehl nach {} kommt in</translation>
        </message>
        <message>
            <source>the first step that is not exceeded, by more than the slack at the fastest</source>
            <translation>der erste Schritt, der nicht überschritten wird, um mehr als den Spielraum beim schnellsten</translation>
        </message>
        <message>
            <source>the first {} that wakes it over {}{}</source>
            <translation>das erste {}, das ihn über {} weckt{}</translation>
        </message>
        <message>
            <source>the format '{}'</source>
            <translation>das Format „{}“</translation>
        </message>
        <message>
            <source>the format '{}' is newer than this program knows</source>
            <translation>das Format „{}“ ist neuer, als dieses Programm kennt</translation>
        </message>
        <message>
            <source>the handler of {}</source>
            <translation>die Behandlung von {}</translation>
        </message>
        <message>
            <source>the handover file '{}' is made from take '{}'; take it out first</source>
            <translation>die Übergabedatei „{}“ wird aus Fassung „{}“ gemacht; nehmen Sie sie zuerst heraus</translation>
        </message>
        <message>
            <source>the id '{}'</source>
            <translation>die Kennung „{}“</translation>
        </message>
        <message>
            <source>the id '{}' again</source>
            <translation>noch einmal die Kennung „{}“</translation>
        </message>
        <message>
            <source>the id '{}', a word of promise lines</source>
            <translation>die Kennung „{}“, ein Wort der Zusagezeilen</translation>
        </message>
        <message>
            <source>the id in each table of the list</source>
            <translation>die Kennung in jeder Tabelle der Liste</translation>
        </message>
        <message>
            <source>the id of a template</source>
            <translation>die Kennung eines Templates</translation>
        </message>
        <message>
            <source>the id of another timer</source>
            <translation>die Kennung eines anderen Timers</translation>
        </message>
        <message>
            <source>the interrupt of {} stays on in {}: it wakes the core every {}, and no job says so</source>
            <translation>der Interrupt von {} bleibt in {} an: er weckt den Kern alle {}, und keine Aufgabe sagt das</translation>
        </message>
        <message>
            <source>the job '{}' again</source>
            <translation>noch einmal die Aufgabe „{}“</translation>
        </message>
        <message>
            <source>the job '{}' feeds {}; change that promise first</source>
            <translation>die Aufgabe „{}“ füttert {}; ändern Sie zuerst diese Zusage</translation>
        </message>
        <message>
            <source>the job '{}' follows another one and has no period of its own</source>
            <translation>die Aufgabe „{}“ folgt einer anderen und hat keine eigene Periode</translation>
        </message>
        <message>
            <source>the job '{}' follows another one and has no phase of its own</source>
            <translation>die Aufgabe „{}“ folgt einer anderen und hat keine eigene Phase</translation>
        </message>
        <message>
            <source>the job '{}' follows this one; change that one first</source>
            <translation>die Aufgabe „{}“ folgt dieser; ändern Sie zuerst jene</translation>
        </message>
        <message>
            <source>the job '{}' is said in cycles</source>
            <translation>die Aufgabe „{}“ ist in Zyklen angegeben</translation>
        </message>
        <message>
            <source>the job '{}' runs in take '{}'; give it another one first</source>
            <translation>die Aufgabe „{}“ läuft in Fassung „{}“; geben Sie ihr zuerst eine andere</translation>
        </message>
        <message>
            <source>the jobs don't settle into a pattern that comes again in all that was played</source>
            <translation>die Aufgaben finden in allem, was gespielt wurde, in kein Muster, das wiederkommt</translation>
        </message>
        <message>
            <source>the jobs repeat only after more than 100000 runs</source>
            <translation>die Aufgaben wiederholen sich erst nach mehr als 100000 Läufen</translation>
        </message>
        <message>
            <source>the largest current of</source>
            <translation>der größte Strom von</translation>
        </message>
        <message>
            <source>the last step that is reached</source>
            <translation>der letzte Schritt, der erreicht wird</translation>
        </message>
        <message>
            <source>the limits of %1</source>
            <translation>die Grenzen von %1</translation>
        </message>
        <message>
            <source>the limits of {} (</source>
            <translation>die Grenzen von {} (</translation>
        </message>
        <message>
            <source>the line '{}' changes nothing and feeds nothing</source>
            <translation>die Leitung „{}“ ändert nichts und speist nichts</translation>
        </message>
        <message>
            <source>the load is the one it was cut for</source>
            <translation>die Last ist die, für die er geschliffen ist</translation>
        </message>
        <message>
            <source>the load shifts it by %1</source>
            <translation>die Last verschiebt ihn um %1</translation>
        </message>
        <message>
            <source>the lock on {}</source>
            <translation>das Einrasten an {}</translation>
        </message>
        <message>
            <source>the longest dead time is {}, asked {}</source>
            <translation>die längste Totzeit ist {}, verlangt {}</translation>
        </message>
        <message>
            <source>the longest is {}, asked at least {}</source>
            <translation>die längste ist {}, verlangt mindestens {}</translation>
        </message>
        <message>
            <source>the longest rest is not known: no jobs are played</source>
            <translation>die längste Ruhe ist nicht bekannt: keine Aufgaben werden gespielt</translation>
        </message>
        <message>
            <source>the longest rest is {}: wake by a timer before, or feed it more often</source>
            <translation>die längste Ruhe ist {}: wecken Sie vorher durch einen Timer, oder füttern Sie öfter</translation>
        </message>
        <message>
            <source>the longest rest of the plan is %1</source>
            <translation>die längste Ruhe des Plans ist %1</translation>
        </message>
        <message>
            <source>the longest start-up of {}</source>
            <translation>der längste Anlauf von {}</translation>
        </message>
        <message>
            <source>the longest time of '{}'</source>
            <translation>die längste Zeit von „{}“</translation>
        </message>
        <message>
            <source>the longest wait and wake-up of</source>
            <translation>das längste Warten und Aufwachen von</translation>
        </message>
        <message>
            <source>the longest wake-up from</source>
            <translation>das längste Aufwachen aus</translation>
        </message>
        <message>
            <source>the lower end comes first</source>
            <translation>das untere Ende kommt zuerst</translation>
        </message>
        <message>
            <source>the lower end first</source>
            <translation>das untere Ende zuerst</translation>
        </message>
        <message>
            <source>the lower id first</source>
            <translation>die niedrigere Kennung zuerst</translation>
        </message>
        <message>
            <source>the lower rate first</source>
            <translation>die niedrigere Rate zuerst</translation>
        </message>
        <message>
            <source>the lowest supply, {}, is below {}: the part is held in reset</source>
            <translation>die tiefste Versorgung, {}, liegt unter {}: der Baustein wird im Reset gehalten</translation>
        </message>
        <message>
            <source>the mode '{}' does not say what it draws</source>
            <translation>der Modus „{}“ sagt nicht, was er zieht</translation>
        </message>
        <message>
            <source>the most that is drawn in '{}'</source>
            <translation>das meiste, was in „{}“ fließt</translation>
        </message>
        <message>
            <source>the most that {} draws</source>
            <translation>das meiste, was {} zieht</translation>
        </message>
        <message>
            <source>the most that {} draws at drive {}</source>
            <translation>das meiste, was {} bei Antrieb {} zieht</translation>
        </message>
        <message>
            <source>the multiplier '{}' does not say what it draws</source>
            <translation>der Vervielfacher „{}“ sagt nicht, was er zieht</translation>
        </message>
        <message>
            <source>the multiplier '{}' has no longest lock time</source>
            <translation>der Vervielfacher „{}“ hat keine längste Einrastzeit</translation>
        </message>
        <message>
            <source>the nearest allowed: {}</source>
            <translation>die nächsten erlaubten: {}</translation>
        </message>
        <message>
            <source>the nearest is {}, {}, asked {}</source>
            <translation>die nächste ist {}, {}, verlangt {}</translation>
        </message>
        <message>
            <source>the nearest rate {}is {}, {}{}, asked {}</source>
            <translation>die nächste Rate {}ist {}, {}{}, verlangt {}</translation>
        </message>
        <message>
            <source>the nearest rate {}is {}; </source>
            <translation>die nächste Rate {}ist {}; </translation>
        </message>
        <message>
            <source>the needle stands at its rate, the rail is where it may stand</source>
            <translation>der Zeiger steht auf seiner Rate, die Schiene ist, wo er stehen darf</translation>
        </message>
        <message>
            <source>the next data are there {} before these are sampled and held{}{}</source>
            <translation>die nächsten Daten sind {} da, bevor diese abgetastet und gehalten sind{}{}</translation>
        </message>
        <message>
            <source>the nodes</source>
            <translation>die Knoten</translation>
        </message>
        <message>
            <source>the number in {} is too large</source>
            <translation>die Zahl in {} ist zu groß</translation>
        </message>
        <message>
            <source>the number {}</source>
            <translation>die Zahl {}</translation>
        </message>
        <message>
            <source>the one that the promise asks stands first</source>
            <translation>zuerst steht der, den die Zusage verlangt</translation>
        </message>
        <message>
            <source>the ones before mended first</source>
            <translation>die davor zuerst beheben</translation>
        </message>
        <message>
            <source>the part file, </source>
            <translation>die Bausteindatei, </translation>
        </message>
        <message>
            <source>the part gives no rate for {}</source>
            <translation>der Baustein nennt keine Rate für {}</translation>
        </message>
        <message>
            <source>the part's least supply</source>
            <translation>die kleinste Versorgung des Bausteins</translation>
        </message>
        <message>
            <source>the periods that each prescaler can make, and below what other clocks could</source>
            <translation>die Perioden, die jeder Vorteiler schafft, und darunter, was andere Takte könnten</translation>
        </message>
        <message>
            <source>the periods that each prescaler can make; the wish must cut a bar</source>
            <translation>die Perioden, die jeder Vorteiler schafft; der Wunsch muss einen Balken schneiden</translation>
        </message>
        <message>
            <source>the peripheral '{}' does not say what it draws</source>
            <translation>die Peripherie „{}“ sagt nicht, was sie zieht</translation>
        </message>
        <message>
            <source>the pin '{}' again</source>
            <translation>noch einmal der Pin „{}“</translation>
        </message>
        <message>
            <source>the pinned way is not one that this converter has here</source>
            <translation>der festgelegte Weg ist keiner, den dieser Wandler hier hat</translation>
        </message>
        <message>
            <source>the pinned way is not one that this loop has</source>
            <translation>der festgelegte Weg ist keiner, den diese Schleife hat</translation>
        </message>
        <message>
            <source>the pinned way is not one that this port has</source>
            <translation>der festgelegte Weg ist keiner, den dieser Port hat</translation>
        </message>
        <message>
            <source>the pinned way is not one that this rtc has</source>
            <translation>der festgelegte Weg ist keiner, den diese RTC hat</translation>
        </message>
        <message>
            <source>the pinned way is not one that this timer has</source>
            <translation>der festgelegte Weg ist keiner, den dieser Timer hat</translation>
        </message>
        <message>
            <source>the pinned way is not one that this watchdog has</source>
            <translation>der festgelegte Weg ist keiner, den dieser Watchdog hat</translation>
        </message>
        <message>
            <source>the pins where it can stand</source>
            <translation>die Pins, auf denen es stehen kann</translation>
        </message>
        <message>
            <source>the plan file, </source>
            <translation>die Plandatei, </translation>
        </message>
        <message>
            <source>the plan has no [board.battery]</source>
            <translation>der Plan hat kein [board.battery]</translation>
        </message>
        <message>
            <source>the plan rests in {}</source>
            <translation>der Plan ruht in {}</translation>
        </message>
        <message>
            <source>the port's most is </source>
            <translation>das Höchste des Ports ist </translation>
        </message>
        <message>
            <source>the port's own receiver stands only {} of {}, asked within {}</source>
            <translation>der eigene Empfänger des Ports erträgt nur {} von {}, verlangt innerhalb von {}</translation>
        </message>
        <message>
            <source>the promise '{}' again</source>
            <translation>noch einmal die Zusage „{}“</translation>
        </message>
        <message>
            <source>the rate of {} needs more than 256 bits</source>
            <translation>die Rate von {} braucht mehr als 256 Bit</translation>
        </message>
        <message>
            <source>the register '{}'</source>
            <translation>das Register „{}“</translation>
        </message>
        <message>
            <source>the register '{}' again</source>
            <translation>noch einmal das Register „{}“</translation>
        </message>
        <message>
            <source>the rule “{}”</source>
            <translation>die Regel „{}“</translation>
        </message>
        <message>
            <source>the running core draws</source>
            <translation>der laufende Kern zieht</translation>
        </message>
        <message>
            <source>the same jobs on each</source>
            <translation>dieselben Aufgaben auf jeder</translation>
        </message>
        <message>
            <source>the same turns at half and at twice the rate</source>
            <translation>dieselben Durchläufe bei halber und bei doppelter Rate</translation>
        </message>
        <message>
            <source>the slowest first</source>
            <translation>die langsamste zuerst</translation>
        </message>
        <message>
            <source>the slowest is {}, {}{}</source>
            <translation>der langsamste ist {}, {}{}</translation>
        </message>
        <message>
            <source>the source '{}' does not say what it draws</source>
            <translation>die Quelle „{}“ sagt nicht, was sie zieht</translation>
        </message>
        <message>
            <source>the source '{}' has no longest start-up time</source>
            <translation>die Quelle „{}“ hat keine längste Anlaufzeit</translation>
        </message>
        <message>
            <source>the source's, in proportion</source>
            <translation>die der Quelle, im Verhältnis</translation>
        </message>
        <message>
            <source>the stage '{}' of '{}' lacks its longest time or its draw</source>
            <translation>der Stufe „{}“ von „{}“ fehlt die längste Zeit oder der Verbrauch</translation>
        </message>
        <message>
            <source>the stages of waking from {} are several: which is meant is told by hand</source>
            <translation>die Stufen des Aufwachens aus {} sind mehrere: welche gemeint ist, wird von Hand gesagt</translation>
        </message>
        <message>
            <source>the start-up margin of</source>
            <translation>die Anlaufreserve von</translation>
        </message>
        <message>
            <source>the start-up margin of {} is {}</source>
            <translation>die Anlaufreserve von {} ist {}</translation>
        </message>
        <message>
            <source>the take '{}' again</source>
            <translation>noch einmal die Fassung „{}“</translation>
        </message>
        <message>
            <source>the take as it is</source>
            <translation>die Fassung, wie sie ist</translation>
        </message>
        <message>
            <source>the take itself can't be kept</source>
            <translation>die Fassung selbst lässt sich nicht halten</translation>
        </message>
        <message>
            <source>the temperatures that it is made for</source>
            <translation>die Temperaturen, für die er gemacht ist</translation>
        </message>
        <message>
            <source>the template '{}' again</source>
            <translation>noch einmal das Template „{}“</translation>
        </message>
        <message>
            <source>the template '{}', which is like itself</source>
            <translation>das Template „{}“, das sich selbst gleicht</translation>
        </message>
        <message>
            <source>the template '{}', which nothing is like</source>
            <translation>das Template „{}“, dem nichts gleicht</translation>
        </message>
        <message>
            <source>the text '{}'</source>
            <translation>der Text „{}“</translation>
        </message>
        <message>
            <source>the time since the last feed, around the longest; up to %1 at the corners</source>
            <translation>die Zeit seit dem letzten Füttern, um die längste herum; bis %1 an den Ecken</translation>
        </message>
        <message>
            <source>the tolerance of {}</source>
            <translation>die Toleranz von {}</translation>
        </message>
        <message>
            <source>the tolerances add up to 100 % or more</source>
            <translation>die Toleranzen ergeben zusammen 100 % oder mehr</translation>
        </message>
        <message>
            <source>the transconductance of {}</source>
            <translation>die Steilheit von {}</translation>
        </message>
        <message>
            <source>the upper end not below the lower</source>
            <translation>das obere Ende nicht unter dem unteren</translation>
        </message>
        <message>
            <source>the value {}</source>
            <translation>der Wert {}</translation>
        </message>
        <message>
            <source>the waits of '</source>
            <translation>die Wartezyklen von '</translation>
        </message>
        <message>
            <source>the way</source>
            <translation>der Weg</translation>
        </message>
        <message>
            <source>the window opens after the feed: it must open before {} at the slowest clock</source>
            <translation>das Fenster öffnet nach dem Füttern: es muss vor {} beim langsamsten Takt öffnen</translation>
        </message>
        <message>
            <source>the window opens after {} at the {} clock, asked after {}{}</source>
            <translation>das Fenster öffnet nach {} beim {} Takt, verlangt nach {}{}</translation>
        </message>
        <message>
            <source>the {} of '</source>
            <translation>die {} von '</translation>
        </message>
        <message>
            <source>there and back</source>
            <translation>hin und zurück</translation>
        </message>
        <message>
            <source>there and back through {} takes {} quanta{}, and no bit of {} has room for them before its sample point</source>
            <translation>hin und zurück über {} braucht {} Quanten{}, und kein Bit von {} hat vor seinem Abtastpunkt so viel Platz</translation>
        </message>
        <message>
            <source>there is a job '{}' already</source>
            <translation>es gibt schon eine Aufgabe „{}“</translation>
        </message>
        <message>
            <source>there is a kind of that name</source>
            <translation>es gibt eine Art dieses Namens</translation>
        </message>
        <message>
            <source>there is a promise '{}' already</source>
            <translation>es gibt schon eine Zusage „{}“</translation>
        </message>
        <message>
            <source>there is a take '{}' already</source>
            <translation>es gibt schon eine Fassung „{}“</translation>
        </message>
        <message>
            <source>there is an ask of that name</source>
            <translation>es gibt ein Verlangen dieses Namens</translation>
        </message>
        <message>
            <source>there is no job '{}'</source>
            <translation>es gibt keine Aufgabe „{}“</translation>
        </message>
        <message>
            <source>there is no job '{}' that could feed it</source>
            <translation>es gibt keine Aufgabe „{}“, die es füttern könnte</translation>
        </message>
        <message>
            <source>there is no job '{}' while which it could be asked</source>
            <translation>es gibt keine Aufgabe „{}“, während der es verlangt sein könnte</translation>
        </message>
        <message>
            <source>there is no promise '{}'</source>
            <translation>es gibt keine Zusage „{}“</translation>
        </message>
        <message>
            <source>there is no promise {}</source>
            <translation>es gibt keine Zusage {}</translation>
        </message>
        <message>
            <source>there is no such file</source>
            <translation>es gibt keine solche Datei</translation>
        </message>
        <message>
            <source>there is no take '{}'</source>
            <translation>es gibt keine Fassung „{}“</translation>
        </message>
        <message>
            <source>there is no take '{}' in which it could be asked</source>
            <translation>es gibt keine Fassung „{}“, in der es verlangt sein könnte</translation>
        </message>
        <message>
            <source>there is no tier '{}'</source>
            <translation>es gibt keine Stufe „{}“</translation>
        </message>
        <message>
            <source>there is no track in it</source>
            <translation>es ist keine Spur darin</translation>
        </message>
        <message>
            <source>there is nothing to note of that</source>
            <translation>davon gibt es nichts zu vermerken</translation>
        </message>
        <message>
            <source>they are looked for</source>
            <translation>sie werden gesucht</translation>
        </message>
        <message>
            <source>they lose their clock in </source>
            <translation>verlieren ihren Takt in </translation>
        </message>
        <message>
            <source>this can't be read as a file</source>
            <translation>dies lässt sich nicht als Datei lesen</translation>
        </message>
        <message>
            <source>this converter can't add up conversions</source>
            <translation>dieser Wandler kann keine Wandlungen aufsummieren</translation>
        </message>
        <message>
            <source>this converter can't add up {} conversions: next to it is {}</source>
            <translation>dieser Wandler kann nicht {} Wandlungen aufsummieren: daneben liegt {}</translation>
        </message>
        <message>
            <source>this converter has no {}</source>
            <translation>dieser Wandler hat kein {}</translation>
        </message>
        <message>
            <source>this converter has {} channels, asked {}</source>
            <translation>dieser Wandler hat {} Kanäle, verlangt {}</translation>
        </message>
        <message>
            <source>this is needed; type %1</source>
            <translation>dies wird gebraucht; tippen Sie %1</translation>
        </message>
        <message>
            <source>this is no XML: {}</source>
            <translation>dies ist kein XML: {}</translation>
        </message>
        <message>
            <source>this port can't talk on one wire</source>
            <translation>dieser Port kann nicht auf einer Leitung sprechen</translation>
        </message>
        <message>
            <source>this port drives the bus to {} only</source>
            <translation>dieser Port treibt den Bus nur bis {}</translation>
        </message>
        <message>
            <source>this port has no addresses of {}</source>
            <translation>dieser Port hat keine Adressen von {}</translation>
        </message>
        <message>
            <source>this port has no data phase: it is not CAN FD</source>
            <translation>dieser Port hat keine Datenphase: er ist kein CAN FD</translation>
        </message>
        <message>
            <source>this port has no data phase: its messages have at most 8 byte</source>
            <translation>dieser Port hat keine Datenphase: seine Nachrichten haben höchstens 8 Byte</translation>
        </message>
        <message>
            <source>this port has no dummy cycles</source>
            <translation>dieser Port hat keine Leerzyklen</translation>
        </message>
        <message>
            <source>this port has no mode</source>
            <translation>dieser Port hat keinen Modus</translation>
        </message>
        <message>
            <source>this port has no {} lanes</source>
            <translation>dieser Port hat keine {} Leitungen</translation>
        </message>
        <message>
            <source>this port maps no memory</source>
            <translation>dieser Port blendet keinen Speicher ein</translation>
        </message>
        <message>
            <source>this promise</source>
            <translation>diese Zusage</translation>
        </message>
        <message>
            <source>this rtc has no alarm</source>
            <translation>diese RTC hat keinen Alarm</translation>
        </message>
        <message>
            <source>this rtc has no calendar</source>
            <translation>diese RTC hat keinen Kalender</translation>
        </message>
        <message>
            <source>this timer can't be chained with another</source>
            <translation>dieser Timer lässt sich nicht mit einem anderen verketten</translation>
        </message>
        <message>
            <source>this timer has no dead time</source>
            <translation>dieser Timer hat keine Totzeit</translation>
        </message>
        <message>
            <source>this timer has {}</source>
            <translation>dieser Timer hat {}</translation>
        </message>
        <message>
            <source>this watchdog has no early interrupt</source>
            <translation>dieser Watchdog hat keinen Vorabinterrupt</translation>
        </message>
        <message>
            <source>this watchdog has no window</source>
            <translation>dieser Watchdog hat kein Fenster</translation>
        </message>
        <message>
            <source>those that were due before, with changes of take</source>
            <translation>die, die vorher fällig waren, mit Wechseln der Fassung</translation>
        </message>
        <message>
            <source>three of the longest periods</source>
            <translation>drei der längsten Perioden</translation>
        </message>
        <message>
            <source>tick is on</source>
            <translation>der Tick ist an</translation>
        </message>
        <message>
            <source>ticks in a period</source>
            <translation>Ticks in einer Periode</translation>
        </message>
        <message>
            <source>tier</source>
            <translation>Stufe</translation>
        </message>
        <message>
            <source>tier {}</source>
            <translation>Stufe {}</translation>
        </message>
        <message>
            <source>tier {} at a supply down to {}</source>
            <translation>Stufe {} bei einer Versorgung bis hinab zu {}</translation>
        </message>
        <message>
            <source>tier {} at a supply up to {}</source>
            <translation>Stufe {} bei einer Versorgung bis {}</translation>
        </message>
        <message>
            <source>tier {}: {}</source>
            <translation>Stufe {}: {}</translation>
        </message>
        <message>
            <source>time</source>
            <translation>Zeit</translation>
        </message>
        <message>
            <source>time of stage '{}'</source>
            <translation>Zeit der Stufe „{}“</translation>
        </message>
        <message>
            <source>times of whole seconds such as '1 min', '1 h' or '1 day'</source>
            <translation>Zeiten ganzer Sekunden wie '1 min', '1 h' oder '1 day'</translation>
        </message>
        <message>
            <source>to</source>
            <translation>bis</translation>
        </message>
        <message>
            <source>to its end, typical and longest</source>
            <translation>bis zu ihrem Ende, typisch und längstens</translation>
        </message>
        <message>
            <source>told</source>
            <translation>angegeben</translation>
        </message>
        <message>
            <source>tolerance</source>
            <translation>Toleranz</translation>
        </message>
        <message>
            <source>tolerance = [{{ temp, by }}]</source>
            <translation>tolerance = [{{ temp, by }}]</translation>
        </message>
        <message>
            <source>tolerance unknown</source>
            <translation>Toleranz unbekannt</translation>
        </message>
        <message>
            <source>tolerance, initial</source>
            <translation>Toleranz, anfangs</translation>
        </message>
        <message>
            <source>too few ticks for a rate</source>
            <translation>zu wenige Ticks für eine Rate</translation>
        </message>
        <message>
            <source>too short: no rest in it</source>
            <translation>zu kurz: keine Ruhe darin</translation>
        </message>
        <message>
            <source>too short: {} at least on {}</source>
            <translation>zu kurz: mindestens {} an {}</translation>
        </message>
        <message>
            <source>track %1 is %2</source>
            <translation>Spur %1 ist %2</translation>
        </message>
        <message>
            <source>trim code</source>
            <translation>Abgleichcode</translation>
        </message>
        <message>
            <source>trimmed</source>
            <translation>abgeglichen</translation>
        </message>
        <message>
            <source>true or false</source>
            <translation>true oder false</translation>
        </message>
        <message>
            <source>true, false, or "choice" where it is a setting</source>
            <translation>true, false, oder "choice", wo es eine Einstellung ist</translation>
        </message>
        <message>
            <source>try</source>
            <translation>probieren</translation>
        </message>
        <message>
            <source>turns wanted</source>
            <translation>gesuchte Durchläufe</translation>
        </message>
        <message>
            <source>two different lines, or 1 among what it allows</source>
            <translation>zwei verschiedene Leitungen, oder 1 unter dem Erlaubten</translation>
        </message>
        <message>
            <source>two digits of base 16</source>
            <translation>zwei Sechzehnerziffern</translation>
        </message>
        <message>
            <source>two draws at once</source>
            <translation>zwei Verbräuche zugleich</translation>
        </message>
        <message>
            <source>two levels or more</source>
            <translation>zwei Pegel oder mehr</translation>
        </message>
        <message>
            <source>two or more, the first one at reset</source>
            <translation>zwei oder mehr, der erste gilt nach dem Reset</translation>
        </message>
        <message>
            <source>two rates or more, such as ["5 MHz", "10 MHz"]</source>
            <translation>zwei Raten oder mehr, wie ["5 MHz", "10 MHz"]</translation>
        </message>
        <message>
            <source>two rates such as ["6 MHz", "30 MHz"]</source>
            <translation>zwei Raten wie ["6 MHz", "30 MHz"]</translation>
        </message>
        <message>
            <source>two values or more</source>
            <translation>zwei Werte oder mehr</translation>
        </message>
        <message>
            <source>two-wire bytes with the clock {}</source>
            <translation>Zweidrahtbytes mit dem Takt {}</translation>
        </message>
        <message>
            <source>typ, max and draws</source>
            <translation>typ, max und draws</translation>
        </message>
        <message>
            <source>type one above, or drop a clock here</source>
            <translation>oben einen tippen, oder einen Takt hierher ziehen</translation>
        </message>
        <message>
            <source>type what is needed; Enter begins a plan on the selected part</source>
            <translation>tippen Sie, was gebraucht wird; Enter beginnt einen Plan auf dem gewählten Baustein</translation>
        </message>
        <message>
            <source>typical</source>
            <translation>typischer</translation>
        </message>
        <message>
            <source>typical / most</source>
            <translation>typisch / größte</translation>
        </message>
        <message>
            <source>typical draw</source>
            <translation>typischer Verbrauch</translation>
        </message>
        <message>
            <source>typical draw of </source>
            <translation>typischer Verbrauch von </translation>
        </message>
        <message>
            <source>typical filled, longest outlined; the line is what is asked</source>
            <translation>typisch gefüllt, längstens umrandet; die Linie ist das Verlangte</translation>
        </message>
        <message>
            <source>typical {}</source>
            <translation>typisch {}</translation>
        </message>
        <message>
            <source>typically</source>
            <translation>typisch</translation>
        </message>
        <message>
            <source>typically %1 in a month, at worst %2 in a year</source>
            <translation>typisch %1 im Monat, schlimmstenfalls %2 im Jahr</translation>
        </message>
        <message>
            <source>typically {}</source>
            <translation>typisch {}</translation>
        </message>
        <message>
            <source>uart1 talks 115200 within 1 %</source>
            <translation>uart1 talks 115200 within 1 %</translation>
        </message>
        <message>
            <source>under its </source>
            <translation>unter seinem </translation>
        </message>
        <message>
            <source>understood</source>
            <translation>verstanden</translation>
        </message>
        <message>
            <source>understood at %1</source>
            <translation>verstanden bei %1</translation>
        </message>
        <message>
            <source>unit</source>
            <translation>Einheit</translation>
        </message>
        <message>
            <source>unknown</source>
            <translation>unbekannt</translation>
        </message>
        <message>
            <source>unknown key '{}'</source>
            <translation>unbekannter Schlüssel „{}“</translation>
        </message>
        <message>
            <source>unknown stage</source>
            <translation>unbekannte Stufe</translation>
        </message>
        <message>
            <source>unknown unit {}</source>
            <translation>unbekannte Einheit {}</translation>
        </message>
        <message>
            <source>unknown, counted as 0 s</source>
            <translation>unbekannt, als 0 s gezählt</translation>
        </message>
        <message>
            <source>unknown: </source>
            <translation>unbekannt: </translation>
        </message>
        <message>
            <source>unknown: currents of the modes</source>
            <translation>unbekannt: Ströme der Modi</translation>
        </message>
        <message>
            <source>unknown: draw of stage {}</source>
            <translation>unbekannt: Verbrauch der Stufe {}</translation>
        </message>
        <message>
            <source>unknown: how long</source>
            <translation>unbekannt: wie lange</translation>
        </message>
        <message>
            <source>unknown: how long it is at most between two runs of {}{}</source>
            <translation>unbekannt: wie lange es höchstens zwischen zwei Läufen von {} ist{}</translation>
        </message>
        <message>
            <source>unknown: how long job '{}' takes, its take has no core rate</source>
            <translation>unbekannt: wie lange Aufgabe „{}“ dauert, ihre Fassung hat keine Kernrate</translation>
        </message>
        <message>
            <source>unknown: how the port samples a bit without oversampling</source>
            <translation>unbekannt: wie der Port ein Bit ohne Überabtastung abtastet</translation>
        </message>
        <message>
            <source>unknown: life, as nothing is known to draw</source>
            <translation>unbekannt: Lebensdauer, da von nichts bekannt ist, dass es zieht</translation>
        </message>
        <message>
            <source>unknown: life, as the regulator needs the voltages of supply and battery</source>
            <translation>unbekannt: Lebensdauer, da der Regler die Spannungen von Versorgung und Batterie braucht</translation>
        </message>
        <message>
            <source>unknown: supply</source>
            <translation>unbekannt: Versorgung</translation>
        </message>
        <message>
            <source>unknown: temperature, 25 °C alone is taken</source>
            <translation>unbekannt: Temperatur, nur 25 °C ist angenommen</translation>
        </message>
        <message>
            <source>unknown: the average current needs more than 256 bits</source>
            <translation>unbekannt: der mittlere Strom braucht mehr als 256 Bit</translation>
        </message>
        <message>
            <source>unknown: the clock of {}</source>
            <translation>unbekannt: der Takt von {}</translation>
        </message>
        <message>
            <source>unknown: the jobs could not be played</source>
            <translation>unbekannt: die Aufgaben ließen sich nicht spielen</translation>
        </message>
        <message>
            <source>unknown: the jobs do not fit into the time</source>
            <translation>unbekannt: die Aufgaben passen nicht in die Zeit</translation>
        </message>
        <message>
            <source>unknown: the modes of the part</source>
            <translation>unbekannt: die Modi des Bausteins</translation>
        </message>
        <message>
            <source>unknown: the nodes' own delay; say 'with node delay 200 ns'</source>
            <translation>unbekannt: die eigene Verzögerung der Knoten; sagen Sie 'with node delay 200 ns'</translation>
        </message>
        <message>
            <source>unknown: the words of its message memory</source>
            <translation>unbekannt: die Wörter seines Nachrichtenspeichers</translation>
        </message>
        <message>
            <source>unknown: tolerance of {}</source>
            <translation>unbekannt: Toleranz von {}</translation>
        </message>
        <message>
            <source>unknown: what hangs on it can't be judged at its corners</source>
            <translation>unbekannt: was daran hängt, lässt sich an den Ecken nicht beurteilen</translation>
        </message>
        <message>
            <source>unknown: {} of {}</source>
            <translation>unbekannt: {} von {}</translation>
        </message>
        <message>
            <source>until the clocks are back these do not hold: {}</source>
            <translation>bis die Takte zurück sind, gelten diese nicht: {}</translation>
        </message>
        <message>
            <source>up to</source>
            <translation>hinauf zu</translation>
        </message>
        <message>
            <source>up to %1: the clock runs after %2 at the longest</source>
            <translation>bis %1: der Takt läuft nach längstens %2</translation>
        </message>
        <message>
            <source>usb = 48 MHz within 0.25 %</source>
            <translation>usb = 48 MHz within 0.25 %</translation>
        </message>
        <message>
            <source>valid + trace there and back, 7 ns/m + the port's set-up</source>
            <translation>gültig + Leiterbahn hin und zurück, 7 ns/m + das Setup des Ports</translation>
        </message>
        <message>
            <source>value of '{}'</source>
            <translation>Wert von „{}“</translation>
        </message>
        <message>
            <source>values that are not whole or beyond 2^48</source>
            <translation>Werte, die nicht ganz oder jenseits von 2^48 sind</translation>
        </message>
        <message>
            <source>voltage</source>
            <translation>Spannung</translation>
        </message>
        <message>
            <source>voltage, such as 3.3 V</source>
            <translation>Spannung wie 3.3 V</translation>
        </message>
        <message>
            <source>w = min({}, {}), {} over {}{}</source>
            <translation>w = min({}, {}), {} über {}{}</translation>
        </message>
        <message>
            <source>w ÷ (2 + w), so that both ends off by it fill the smaller side w of the frame's window</source>
            <translation>w ÷ (2 + w), sodass beide Enden, um es daneben, die kleinere Seite w des Fensters des Rahmens füllen</translation>
        </message>
        <message>
            <source>wait for {}</source>
            <translation>auf {} warten</translation>
        </message>
        <message>
            <source>wait states</source>
            <translation>Wartezyklen</translation>
        </message>
        <message>
            <source>wait states of {}</source>
            <translation>Wartezyklen von {}</translation>
        </message>
        <message>
            <source>waiting awake</source>
            <translation>waches Warten</translation>
        </message>
        <message>
            <source>wake-up, worst</source>
            <translation>Aufwachen, schlimmstenfalls</translation>
        </message>
        <message>
            <source>wakes in</source>
            <translation>wacht auf in</translation>
        </message>
        <message>
            <source>waking from {} takes</source>
            <translation>Aufwachen aus {} dauert</translation>
        </message>
        <message>
            <source>wanted %1</source>
            <translation>gesucht %1</translation>
        </message>
        <message>
            <source>wanted: unknown without the load</source>
            <translation>gesucht: ohne die Last unbekannt</translation>
        </message>
        <message>
            <source>warns before the bite</source>
            <translation>warnt vor dem Auslösen</translation>
        </message>
        <message>
            <source>warns {} before the bite{}, asked {}</source>
            <translation>warnt {} vor dem Auslösen{}, verlangt {}</translation>
        </message>
        <message>
            <source>watch a folder</source>
            <translation>Ordner beobachten</translation>
        </message>
        <message>
            <source>watch no longer</source>
            <translation>nicht mehr beobachten</translation>
        </message>
        <message>
            <source>way</source>
            <translation>Weg</translation>
        </message>
        <message>
            <source>way %1</source>
            <translation>Weg %1</translation>
        </message>
        <message>
            <source>way %1 of %2: %3, %4</source>
            <translation>Weg %1 von %2: %3, %4</translation>
        </message>
        <message>
            <source>what</source>
            <translation>was</translation>
        </message>
        <message>
            <source>what a step leaves + what it moves until the next time, and the error of {}</source>
            <translation>was ein Schritt lässt + was es bis zum nächsten Mal bewegt, und der Fehler von {}</translation>
        </message>
        <message>
            <source>what goes on in each mode, and what may wake it; Enter rests there</source>
            <translation>was in jedem Modus weiterläuft, und was ihn wecken kann; Enter ruht dort</translation>
        </message>
        <message>
            <source>what hangs on {}, which nothing before needs</source>
            <translation>was an {} hängt, das nichts davor braucht</translation>
        </message>
        <message>
            <source>what if it fails</source>
            <translation>was, wenn es ausfällt</translation>
        </message>
        <message>
            <source>what is drawn in '{}'</source>
            <translation>was in „{}“ gezogen wird</translation>
        </message>
        <message>
            <source>what is more urgent leaves it no time that could be told</source>
            <translation>was dringender ist, lässt ihm keine Zeit, die sich angeben ließe</translation>
        </message>
        <message>
            <source>what is off is hidden</source>
            <translation>was aus ist, ist verborgen</translation>
        </message>
        <message>
            <source>what is said in the suspicion</source>
            <translation>was im Verdacht gesagt ist</translation>
        </message>
        <message>
            <source>what is written to get into it</source>
            <translation>was geschrieben wird, um hineinzukommen</translation>
        </message>
        <message>
            <source>what it is for</source>
            <translation>wofür er da ist</translation>
        </message>
        <message>
            <source>what it says when it is understood</source>
            <translation>was sie sagt, wenn sie verstanden wird</translation>
        </message>
        <message>
            <source>what its meeting the others could change is in the bounds</source>
            <translation>was die Begegnung mit den anderen ändern könnte, steckt in den Grenzen</translation>
        </message>
        <message>
            <source>what leaves least</source>
            <translation>was am wenigsten übrig lässt</translation>
        </message>
        <message>
            <source>what leaves the plan, and whether what left it still says the same; Enter writes a file</source>
            <translation>was den Plan verlässt, und ob das, was ihn verließ, noch dasselbe sagt; Enter schreibt eine Datei</translation>
        </message>
        <message>
            <source>what must be on for it</source>
            <translation>was dafür an sein muss</translation>
        </message>
        <message>
            <source>what stands there, and what follows; Enter edits a row, ← and → move a signal</source>
            <translation>was dort steht, und was folgt; Enter bearbeitet eine Zeile, ← und → verschieben ein Signal</translation>
        </message>
        <message>
            <source>what the core has to do does not fit: it needs {} of the time</source>
            <translation>was der Kern zu tun hat, passt nicht: er braucht {} der Zeit</translation>
        </message>
        <message>
            <source>what was asked: the line above</source>
            <translation>was verlangt war: die Zeile oben</translation>
        </message>
        <message>
            <source>what was measured, over what the plan predicts</source>
            <translation>was gemessen wurde, über dem, was der Plan vorhersagt</translation>
        </message>
        <message>
            <source>what was understood fits no rate: the line is disturbed</source>
            <translation>was verstanden wurde, passt zu keiner Rate: die Leitung ist gestört</translation>
        </message>
        <message>
            <source>what {} draws</source>
            <translation>was {} zieht</translation>
        </message>
        <message>
            <source>whatever the clock does: from %1 to %2</source>
            <translation>was auch der Takt tut: von %1 bis %2</translation>
        </message>
        <message>
            <source>where it begins</source>
            <translation>wo es beginnt</translation>
        </message>
        <message>
            <source>where it counts on it must be fed, or outlast the rest</source>
            <translation>wo er weiterzählt, muss er gefüttert werden oder die Ruhe überdauern</translation>
        </message>
        <message>
            <source>where it is not like the first</source>
            <translation>wo er nicht wie der erste ist</translation>
        </message>
        <message>
            <source>where programs keep such</source>
            <translation>wo Programme so etwas ablegen</translation>
        </message>
        <message>
            <source>where signals stand, and how fast their pins turn</source>
            <translation>wo Signale stehen, und wie schnell ihre Pins schalten</translation>
        </message>
        <message>
            <source>where {}</source>
            <translation>wo {}</translation>
        </message>
        <message>
            <source>whether the board's are allowed, for</source>
            <translation>ob die der Platine erlaubt sind, für</translation>
        </message>
        <message>
            <source>whether the board's is allowed, for the limits of</source>
            <translation>ob die der Platine erlaubt ist, für die Grenzen von</translation>
        </message>
        <message>
            <source>which crystal stands there? It takes %1; without one leave it so</source>
            <translation>welcher Quarz steht dort? Möglich ist %1; ohne einen bleibt es so</translation>
        </message>
        <message>
            <source>which crystal?</source>
            <translation>welcher Quarz?</translation>
        </message>
        <message>
            <source>while </source>
            <translation>während </translation>
        </message>
        <message>
            <source>while it stands still</source>
            <translation>während er stillsteht</translation>
        </message>
        <message>
            <source>while {} is </source>
            <translation>während {} zugleich </translation>
        </message>
        <message>
            <source>whole numbers</source>
            <translation>ganze Zahlen</translation>
        </message>
        <message>
            <source>wish this</source>
            <translation>dies wünschen</translation>
        </message>
        <message>
            <source>wishes</source>
            <translation>Wünsche</translation>
        </message>
        <message>
            <source>with another track</source>
            <translation>mit einer anderen Spur</translation>
        </message>
        <message>
            <source>with the bounds of {}</source>
            <translation>mit den Grenzen von {}</translation>
        </message>
        <message>
            <source>with the least prescaler</source>
            <translation>mit dem kleinsten Vorteiler</translation>
        </message>
        <message>
            <source>with {}</source>
            <translation>mit {}</translation>
        </message>
        <message>
            <source>with {} from {}</source>
            <translation>mit {} von {}</translation>
        </message>
        <message>
            <source>within </source>
            <translation>innerhalb von </translation>
        </message>
        <message>
            <source>within {}</source>
            <translation>innerhalb von {}</translation>
        </message>
        <message>
            <source>without job %1</source>
            <translation>ohne Aufgabe %1</translation>
        </message>
        <message>
            <source>without what is struck out %1 less: %2</source>
            <translation>ohne das Durchgestrichene %1 weniger: %2</translation>
        </message>
        <message>
            <source>woken every</source>
            <translation>geweckt alle</translation>
        </message>
        <message>
            <source>words %1 to %2: %3 %4, %5 of each</source>
            <translation>Wörter %1 bis %2: %3 %4, je %5</translation>
        </message>
        <message>
            <source>words at the fall of {}{}</source>
            <translation>Wörter beim Fallen von {}{}</translation>
        </message>
        <message>
            <source>words at the rise of {}{}</source>
            <translation>Wörter beim Steigen von {}{}</translation>
        </message>
        <message>
            <source>worst case</source>
            <translation>schlimmster Fall</translation>
        </message>
        <message>
            <source>worst cases</source>
            <translation>schlimmste Fälle</translation>
        </message>
        <message>
            <source>worst error of its tolerance</source>
            <translation>schlimmster Fehler in Teilen seiner Toleranz</translation>
        </message>
        <message>
            <source>worst promise</source>
            <translation>schlimmste Zusage</translation>
        </message>
        <message>
            <source>worst wake-up</source>
            <translation>schlimmstes Aufwachen</translation>
        </message>
        <message>
            <source>wraps after</source>
            <translation>läuft über nach</translation>
        </message>
        <message>
            <source>wraps after {}{}, asked at least {}</source>
            <translation>läuft über nach {}{}, verlangt mindestens {}</translation>
        </message>
        <message>
            <source>write all</source>
            <translation>alle schreiben</translation>
        </message>
        <message>
            <source>write only</source>
            <translation>nur schreibbar</translation>
        </message>
        <message>
            <source>yes</source>
            <translation>ja</translation>
        </message>
        <message>
            <source>{{ at = "48 MHz", within = "0.25 %" }}</source>
            <translation>{{ at = "48 MHz", within = "0.25 %" }}</translation>
        </message>
        <message>
            <source>{{ base = "430 uA", when = "converting" }}</source>
            <translation>{{ base = "430 uA", when = "converting" }}</translation>
        </message>
        <message>
            <source>{{n}}, or a name that 'with' says</source>
            <translation>{{n}}, oder ein Name, den 'with' nennt</translation>
        </message>
        <message>
            <source>{} (chapter {})</source>
            <translation>{} (Kapitel {})</translation>
        </message>
        <message>
            <source>{} + {}, every {}</source>
            <translation>{} + {}, alle {}</translation>
        </message>
        <message>
            <source>{} = {} does not fit {}</source>
            <translation>{} = {} passt nicht in {}</translation>
        </message>
        <message>
            <source>{} = {} has no code for its field {}</source>
            <translation>{} = {} hat keinen Code für sein Feld {}</translation>
        </message>
        <message>
            <source>{} = {} is not written on this way</source>
            <translation>{} = {} wird auf diesem Weg nicht geschrieben</translation>
        </message>
        <message>
            <source>{} = {}, which the control cannot be set to</source>
            <translation>{} = {}, worauf sich die Einstellung nicht stellen lässt</translation>
        </message>
        <message>
            <source>{} and {}</source>
            <translation>{} und {}</translation>
        </message>
        <message>
            <source>{} and {} more</source>
            <translation>{} und {} weitere</translation>
        </message>
        <message>
            <source>{} as fast as {}</source>
            <translation>{} so schnell wie {}</translation>
        </message>
        <message>
            <source>{} at </source>
            <translation>{} bei </translation>
        </message>
        <message>
            <source>{} at most</source>
            <translation>{} höchstens</translation>
        </message>
        <message>
            <source>{} at the latest</source>
            <translation>{} spätestens</translation>
        </message>
        <message>
            <source>{} at {}</source>
            <translation>{} bei {}</translation>
        </message>
        <message>
            <source>{} at {} against {} at {}</source>
            <translation>{} bei {} gegen {} bei {}</translation>
        </message>
        <message>
            <source>{} at {} against {} at {}, from two sources</source>
            <translation>{} bei {} gegen {} bei {}, aus zwei Quellen</translation>
        </message>
        <message>
            <source>{} at {} has no {}</source>
            <translation>{} bei {} hat kein {}</translation>
        </message>
        <message>
            <source>{} at {} in the worst case is beyond the {}</source>
            <translation>{} bei {} ist im schlimmsten Fall jenseits von {}</translation>
        </message>
        <message>
            <source>{} at {} in the worst case is in another {}</source>
            <translation>{} bei {} liegt im schlimmsten Fall in einer anderen: {}</translation>
        </message>
        <message>
            <source>{} at {} is beyond the {}</source>
            <translation>{} bei {} ist jenseits von {}</translation>
        </message>
        <message>
            <source>{} bits</source>
            <translation>{} Bit</translation>
        </message>
        <message>
            <source>{} both need pin {}</source>
            <translation>{} brauchen beide Pin {}</translation>
        </message>
        <message>
            <source>{} brings</source>
            <translation>{} bringt</translation>
        </message>
        <message>
            <source>{} broken</source>
            <translation>{} gebrochen</translation>
        </message>
        <message>
            <source>{} bytes; ! is not acknowledged</source>
            <translation>{} Byte; ! ist nicht bestätigt</translation>
        </message>
        <message>
            <source>{} can be {}, and has no code for it</source>
            <translation>{} kann {} sein, und hat keinen Code dafür</translation>
        </message>
        <message>
            <source>{} can only be read</source>
            <translation>{} lässt sich nur lesen</translation>
        </message>
        <message>
            <source>{} can't</source>
            <translation>{} kann nicht</translation>
        </message>
        <message>
            <source>{} can't be written: it is no file</source>
            <translation>{} lässt sich nicht schreiben: es ist keine Datei</translation>
        </message>
        <message>
            <source>{} can't be written: {}</source>
            <translation>{} lässt sich nicht schreiben: {}</translation>
        </message>
        <message>
            <source>{} chained with {}</source>
            <translation>{} verkettet mit {}</translation>
        </message>
        <message>
            <source>{} comes by chance</source>
            <translation>{} kommt zufällig</translation>
        </message>
        <message>
            <source>{} comes {} times as often as planned</source>
            <translation>{} kommt {}-mal so oft wie geplant</translation>
        </message>
        <message>
            <source>{} complements of {} channels</source>
            <translation>{} Gegenausgänge von {} Kanälen</translation>
        </message>
        <message>
            <source>{} counts, {}{}</source>
            <translation>{} Zählschritte, {}{}</translation>
        </message>
        <message>
            <source>{} does not fit {}</source>
            <translation>{} passt nicht in {}</translation>
        </message>
        <message>
            <source>{} draws</source>
            <translation>{} zieht</translation>
        </message>
        <message>
            <source>{} draws {}</source>
            <translation>{} zieht {}</translation>
        </message>
        <message>
            <source>{} draws {} times as much as typical</source>
            <translation>{} zieht {}-mal so viel wie typisch</translation>
        </message>
        <message>
            <source>{} dummy cycles are not among those it has: next are {}</source>
            <translation>{} Leerzyklen sind nicht unter denen, die er hat: daneben liegen {}</translation>
        </message>
        <message>
            <source>{} fed in for {}</source>
            <translation>{} eingespeist für {}</translation>
        </message>
        <message>
            <source>{} feeds {}</source>
            <translation>{} speist {}</translation>
        </message>
        <message>
            <source>{} fires every {}</source>
            <translation>{} feuert alle {}</translation>
        </message>
        <message>
            <source>{} fires for {}, every {}: it can't wake every {} too</source>
            <translation>{} feuert für {}, alle {}: er kann nicht auch alle {} wecken</translation>
        </message>
        <message>
            <source>{} fitted for {}</source>
            <translation>{} bestückt für {}</translation>
        </message>
        <message>
            <source>{} for {}</source>
            <translation>{} für {}</translation>
        </message>
        <message>
            <source>{} for {}{}, {} mode needs {}</source>
            <translation>{} für {}{}, Modus {} braucht {}</translation>
        </message>
        <message>
            <source>{} from {}</source>
            <translation>{} aus {}</translation>
        </message>
        <message>
            <source>{} from {} instead of {}</source>
            <translation>{} aus {} statt {}</translation>
        </message>
        <message>
            <source>{} has no clock</source>
            <translation>{} hat keinen Takt</translation>
        </message>
        <message>
            <source>{} has no clock in {}, so it can't wake it</source>
            <translation>{} hat in {} keinen Takt, kann ihn also nicht wecken</translation>
        </message>
        <message>
            <source>{} has no clock, as {} is off, so it can't wake it</source>
            <translation>{} hat keinen Takt, da {} aus ist, kann ihn also nicht wecken</translation>
        </message>
        <message>
            <source>{} has no unit</source>
            <translation>{} hat keine Einheit</translation>
        </message>
        <message>
            <source>{} has no wait states</source>
            <translation>{} hat keine Wartezustände</translation>
        </message>
        <message>
            <source>{} has no {}</source>
            <translation>{} hat kein {}</translation>
        </message>
        <message>
            <source>{} holds the bus until it can answer: no byte is lost</source>
            <translation>{} hält den Bus, bis es antworten kann: kein Byte geht verloren</translation>
        </message>
        <message>
            <source>{} holds {}</source>
            <translation>{} enthält {}</translation>
        </message>
        <message>
            <source>{} in quotes such as "{}"</source>
            <translation>{} in Anführungszeichen, wie "{}"</translation>
        </message>
        <message>
            <source>{} in the meantime</source>
            <translation>{} in der Zwischenzeit</translation>
        </message>
        <message>
            <source>{} in the worst case, asked at least {}</source>
            <translation>{} im schlimmsten Fall, verlangt mindestens {}</translation>
        </message>
        <message>
            <source>{} in the worst case, asked at {}{}</source>
            <translation>{} im schlimmsten Fall, verlangt mit {}{}</translation>
        </message>
        <message>
            <source>{} in the worst case, {}{}</source>
            <translation>{} im schlimmsten Fall, {}{}</translation>
        </message>
        <message>
            <source>{} in the worst case, {}{}{}</source>
            <translation>{} im schlimmsten Fall, {}{}{}</translation>
        </message>
        <message>
            <source>{} instead of {}</source>
            <translation>{} statt {}</translation>
        </message>
        <message>
            <source>{} is a {} and can't do that</source>
            <translation>{} ist ein {} und kann das nicht</translation>
        </message>
        <message>
            <source>{} is above {}</source>
            <translation>{} ist über {}</translation>
        </message>
        <message>
            <source>{} is far from anything that can be counted here</source>
            <translation>{} ist weit von allem entfernt, was sich hier zählen lässt</translation>
        </message>
        <message>
            <source>{} is left on in {}</source>
            <translation>{} bleibt in {} an</translation>
        </message>
        <message>
            <source>{} is no unit of a {}</source>
            <translation>{} ist keine Einheit von {}</translation>
        </message>
        <message>
            <source>{} is not woken by '{}', but by {}{}</source>
            <translation>{} wird nicht durch „{}“ geweckt, sondern durch {}{}</translation>
        </message>
        <message>
            <source>{} is switched off in take {}</source>
            <translation>{} ist in Fassung {} abgeschaltet</translation>
        </message>
        <message>
            <source>{} kept</source>
            <translation>{} gehalten</translation>
        </message>
        <message>
            <source>{} lanes</source>
            <translation>{} Leitungen</translation>
        </message>
        <message>
            <source>{} lasts {}</source>
            <translation>{} dauert {}</translation>
        </message>
        <message>
            <source>{} lasts {} instead of {}</source>
            <translation>{} dauert {} statt {}</translation>
        </message>
        <message>
            <source>{} late {} cycles</source>
            <translation>{} zu spät {} Zyklen</translation>
        </message>
        <message>
            <source>{} lines behind the plan</source>
            <translation>{} Zeilen hinter dem Plan</translation>
        </message>
        <message>
            <source>{} lines outside their limits</source>
            <translation>{} Leitungen außerhalb ihrer Grenzen</translation>
        </message>
        <message>
            <source>{} makes it {}</source>
            <translation>{} macht es {}</translation>
        </message>
        <message>
            <source>{} mode of the bus, to {}</source>
            <translation>Modus {} des Busses, bis {}</translation>
        </message>
        <message>
            <source>{} modes with 'runs = true'</source>
            <translation>{} Modi mit 'runs = true'</translation>
        </message>
        <message>
            <source>{} more faults</source>
            <translation>{} weitere Fehler</translation>
        </message>
        <message>
            <source>{} of cable</source>
            <translation>{} Kabel</translation>
        </message>
        <message>
            <source>{} of seg1; phase segments {} and {}, jump {}</source>
            <translation>{} von seg1; Phasensegmente {} und {}, Sprung {}</translation>
        </message>
        <message>
            <source>{} of the time</source>
            <translation>{} der Zeit</translation>
        </message>
        <message>
            <source>{} of {}</source>
            <translation>{} von {}</translation>
        </message>
        <message>
            <source>{} of {} frames good: {}</source>
            <translation>{} von {} Rahmen gut: {}</translation>
        </message>
        <message>
            <source>{} of {} words</source>
            <translation>{} von {} Wörtern</translation>
        </message>
        <message>
            <source>{} on the way</source>
            <translation>{} auf dem Weg</translation>
        </message>
        <message>
            <source>{} on {}</source>
            <translation>{} auf {}</translation>
        </message>
        <message>
            <source>{} or one of {} more</source>
            <translation>{} oder eines von {} weiteren</translation>
        </message>
        <message>
            <source>{} periods</source>
            <translation>{} Perioden</translation>
        </message>
        <message>
            <source>{} runs at</source>
            <translation>{} läuft mit</translation>
        </message>
        <message>
            <source>{} runs at {}</source>
            <translation>{} läuft mit {}</translation>
        </message>
        <message>
            <source>{} several times for one period</source>
            <translation>{} mehrmals in einer Periode</translation>
        </message>
        <message>
            <source>{} stands still in {}</source>
            <translation>{} steht in {} still</translation>
        </message>
        <message>
            <source>{} strained</source>
            <translation>{} knapp</translation>
        </message>
        <message>
            <source>{} such as '{}'</source>
            <translation>{} wie „{}“</translation>
        </message>
        <message>
            <source>{} taken</source>
            <translation>{} genommen</translation>
        </message>
        <message>
            <source>{} takes</source>
            <translation>{} dauert</translation>
        </message>
        <message>
            <source>{} takes pin {} from the debugger</source>
            <translation>{} nimmt dem Debugger Pin {}</translation>
        </message>
        <message>
            <source>{} takes {}</source>
            <translation>{} dauert {}</translation>
        </message>
        <message>
            <source>{} to the clocks of take {}</source>
            <translation>{} zu den Takten der Fassung {}</translation>
        </message>
        <message>
            <source>{} to {}</source>
            <translation>{} bis {}</translation>
        </message>
        <message>
            <source>{} to {}, {} times{}</source>
            <translation>{} bis {}, {}-mal{}</translation>
        </message>
        <message>
            <source>{} turns {} at {}, and no pin is faster than {}</source>
            <translation>{} schaltet {} mit {}, und kein Pin ist schneller als {}</translation>
        </message>
        <message>
            <source>{} up to {}{}</source>
            <translation>{} bis zu {}{}</translation>
        </message>
        <message>
            <source>{} waits {}</source>
            <translation>{} wartet {}</translation>
        </message>
        <message>
            <source>{} within {}</source>
            <translation>{} innerhalb von {}</translation>
        </message>
        <message>
            <source>{} words from {}</source>
            <translation>{} Wörter ab {}</translation>
        </message>
        <message>
            <source>{} words of {} bits</source>
            <translation>{} Wörter von {} Bit</translation>
        </message>
        <message>
            <source>{} {}</source>
            <translation>{} {}</translation>
        </message>
        <message>
            <source>{} {}: made from {}; change that, not this file</source>
            <translation>{} {}: gemacht aus {}; ändern Sie das, nicht diese Datei</translation>
        </message>
        <message>
            <source>{} × divisor)</source>
            <translation>{} × Teiler)</translation>
        </message>
        <message>
            <source>{} × multiply ÷ divide</source>
            <translation>{} × Vervielfacher ÷ Teiler</translation>
        </message>
        <message>
            <source>{} × rate)</source>
            <translation>{} × Rate)</translation>
        </message>
        <message>
            <source>{} × {} counts before it opens</source>
            <translation>{} × {} Zählschritte, bevor es öffnet</translation>
        </message>
        <message>
            <source>{} × {} instead of × {}</source>
            <translation>{} × {} statt × {}</translation>
        </message>
        <message>
            <source>{} × {} ÷ ({} + {}{}) at {}</source>
            <translation>{} × {} ÷ ({} + {}{}) bei {}</translation>
        </message>
        <message>
            <source>{} ÷ {} instead of ÷ {}</source>
            <translation>{} ÷ {} statt ÷ {}</translation>
        </message>
        <message>
            <source>{} … {} at the corners</source>
            <translation>{} … {} an den Ecken</translation>
        </message>
        <message>
            <source>{} … {}, which the part takes</source>
            <translation>{} … {}, die der Baustein nimmt</translation>
        </message>
        <message>
            <source>{}, a bit lasts {}{}</source>
            <translation>{}, ein Bit dauert {}{}</translation>
        </message>
        <message>
            <source>{}, and the register has {} bits</source>
            <translation>{}, und das Register hat {} Bit</translation>
        </message>
        <message>
            <source>{}, and {}</source>
            <translation>{}, und {}</translation>
        </message>
        <message>
            <source>{}, asked at {}{}</source>
            <translation>{}, verlangt mit {}{}</translation>
        </message>
        <message>
            <source>{}, at the slowest</source>
            <translation>{}, am langsamsten</translation>
        </message>
        <message>
            <source>{}, datasheet {}</source>
            <translation>{}, Datenblatt {}</translation>
        </message>
        <message>
            <source>{}, for: {}</source>
            <translation>{}, für: {}</translation>
        </message>
        <message>
            <source>{}, high bits</source>
            <translation>{}, hohe Bits</translation>
        </message>
        <message>
            <source>{}, in which the part may be used</source>
            <translation>{}, in der der Baustein benutzt werden darf</translation>
        </message>
        <message>
            <source>{}, low bits</source>
            <translation>{}, niedrige Bits</translation>
        </message>
        <message>
            <source>{}, track {}</source>
            <translation>{}, Spur {}</translation>
        </message>
        <message>
            <source>{}, which has no room for {}</source>
            <translation>{}, das keinen Platz hat für {}</translation>
        </message>
        <message>
            <source>{}, which is none of the rates</source>
            <translation>{}, was keine der Raten ist</translation>
        </message>
        <message>
            <source>{}: the firmware takes {} cycles more each time</source>
            <translation>{}: die Firmware braucht jedes Mal {} Zyklen mehr</translation>
        </message>
        <message>
            <source>{}: the part names no field for that</source>
            <translation>{}: der Baustein nennt kein Feld dafür</translation>
        </message>
        <message>
            <source>{}: unknown</source>
            <translation>{}: unbekannt</translation>
        </message>
        <message>
            <source>{}: {} {} instead of {}{}</source>
            <translation>{}: {} {} statt {}{}</translation>
        </message>
        <message>
            <source>{}after {} steps; let less change, or wish more</source>
            <translation>{}nach {} Schritten; lassen Sie weniger sich ändern, oder wünschen Sie mehr</translation>
        </message>
        <message>
            <source>{}at most {}</source>
            <translation>{}höchstens {}</translation>
        </message>
        <message>
            <source>{}bit in quanta</source>
            <translation>{}Bit in Quanten</translation>
        </message>
        <message>
            <source>{}off by {}{}, and the bus allows each node {} ({})</source>
            <translation>{}um {} daneben{}, und der Bus erlaubt jedem Knoten {} ({})</translation>
        </message>
        <message>
            <source>{}periods spread by {}</source>
            <translation>{}Perioden, verteilt um {}</translation>
        </message>
        <message>
            <source>{}sample point</source>
            <translation>{}Abtastpunkt</translation>
        </message>
        <message>
            <source>{}these bits leave no room for any error {} ({})</source>
            <translation>{}diese Bits lassen keinen Platz für irgendeinen Fehler {} ({})</translation>
        </message>
        <message>
            <source>{}trimmed by {}</source>
            <translation>{}abgeglichen um {}</translation>
        </message>
        <message>
            <source>{}{} an hour</source>
            <translation>{}{} in der Stunde</translation>
        </message>
        <message>
            <source>{}{} each time</source>
            <translation>{}{} jedes Mal</translation>
        </message>
        <message>
            <source>{}{} has no clock in {}</source>
            <translation>{}{} hat keinen Takt in {}</translation>
        </message>
        <message>
            <source>{}{} holds the fields that both need; alone it would be {} with {}</source>
            <translation>{}{} hält die Felder, die beide brauchen; allein wäre es {} mit {}</translation>
        </message>
        <message>
            <source>{}{} needs {} too</source>
            <translation>{}{} braucht auch {}</translation>
        </message>
        <message>
            <source>{}{} of this board: {}</source>
            <translation>{}{} dieser Platine: {}</translation>
        </message>
        <message>
            <source>{}{} promises want an alarm of {}, and it has {}</source>
            <translation>{}{} Zusagen wollen einen Alarm von {}, und er hat {}</translation>
        </message>
        <message>
            <source>{}{} strained</source>
            <translation>{}{} knapp</translation>
        </message>
        <message>
            <source>{}{}' end at {}, its limit is {}</source>
            <translation>{}{}' enden bei {}, seine Grenze ist {}</translation>
        </message>
        <message>
            <source>{}{}, asked at least {}</source>
            <translation>{}{}, verlangt mindestens {}</translation>
        </message>
        <message>
            <source>{}{}, asked at most {}</source>
            <translation>{}{}, verlangt höchstens {}</translation>
        </message>
        <message>
            <source>{}{}/MHz × {}</source>
            <translation>{}{}/MHz × {}</translation>
        </message>
        <message>
            <source>± a look at each end ÷ intervals</source>
            <translation>± ein Blick an jedem Ende ÷ Abstände</translation>
        </message>
    </context>
</TS>
