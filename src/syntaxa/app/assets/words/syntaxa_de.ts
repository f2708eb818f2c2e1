<?xml version="1.0" encoding="utf-8"?>
<!DOCTYPE TS>
<TS version="2.1" language="de_DE" sourcelanguage="en_GB">
<context>
    <name>Syntaxa</name>
    <message>
        <source>Drawing</source>
        <translation>Zeichnung</translation>
    </message>
    <message>
        <source>Arrow keys pan, plus and minus zoom, F fits everything.</source>
        <translation>Pfeiltasten verschieben, Plus und Minus zoomen, F zeigt alles.</translation>
    </message>
    <message>
        <source>up to {0}</source>
        <translation>bis {0}</translation>
    </message>
    <message>
        <source>{0} written to {1}, with summary.csv and summary.json.</source>
        <translation>{0} nach {1} geschrieben, mit summary.csv und summary.json.</translation>
    </message>
    <message>
        <source>Run a recipe on many drawings</source>
        <translation>Ein Rezept auf viele Zeichnungen anwenden</translation>
    </message>
    <message>
        <source>Drawings</source>
        <translation>Zeichnungen</translation>
    </message>
    <message>
        <source>Drawings that are done</source>
        <translation>Fertige Zeichnungen</translation>
    </message>
    <message>
        <source>Close</source>
        <translation>Schließen</translation>
    </message>
    <message>
        <source>Run</source>
        <translation>Lauf</translation>
    </message>
    <message>
        <source>Run the recipe</source>
        <translation>Das Rezept anwenden</translation>
    </message>
    <message>
        <source>Drawings that are worked on at a time</source>
        <translation>Zeichnungen, die gleichzeitig bearbeitet werden</translation>
    </message>
    <message>
        <source>Running the recipe</source>
        <translation>Das Rezept wird angewendet</translation>
    </message>
    <message>
        <source>drawing</source>
        <translation>Zeichnung</translation>
    </message>
    <message>
        <source>drawings</source>
        <translation>Zeichnungen</translation>
    </message>
    <message>
        <source> {0} failed; hover over the rows to see why.</source>
        <translation> {0} misslungen; der Grund steht beim Zeigen auf die Zeile.</translation>
    </message>
    <message>
        <source> {0} have notes; hover over the rows to read them.</source>
        <translation> {0} mit Anmerkungen; sie stehen beim Zeigen auf die Zeile.</translation>
    </message>
    <message>
        <source>No notes.</source>
        <translation>Keine Anmerkungen.</translation>
    </message>
    <message>
        <source>Unit</source>
        <translation>Einheit</translation>
    </message>
    <message>
        <source>Regions</source>
        <translation>Flächen</translation>
    </message>
    <message>
        <source>Open ends</source>
        <translation>Offene Enden</translation>
    </message>
    <message>
        <source>Left</source>
        <translation>Übrig</translation>
    </message>
    <message>
        <source>Seconds</source>
        <translation>Sekunden</translation>
    </message>
    <message>
        <source>Choose…</source>
        <translation>Wählen…</translation>
    </message>
    <message>
        <source>At a time</source>
        <translation>Gleichzeitig</translation>
    </message>
    <message>
        <source>none yet</source>
        <translation>noch keine</translation>
    </message>
    <message>
        <source>Stop</source>
        <translation>Anhalten</translation>
    </message>
    <message>
        <source>Recipe</source>
        <translation>Rezept</translation>
    </message>
    <message>
        <source>Choose the recipe</source>
        <translation>Das Rezept wählen</translation>
    </message>
    <message>
        <source>Choose the drawings</source>
        <translation>Die Zeichnungen wählen</translation>
    </message>
    <message>
        <source>Results go to</source>
        <translation>Ergebnisse kommen nach</translation>
    </message>
    <message>
        <source>Choose the folder for the results</source>
        <translation>Den Ordner für die Ergebnisse wählen</translation>
    </message>
    <message>
        <source>Click where the lower left corner of the curves goes; ends and centres snap.</source>
        <translation>Dorthin klicken, wo die linke untere Ecke der Kurven liegen soll; Enden und Mitten fangen.</translation>
    </message>
    <message>
        <source>{0} copied.</source>
        <translation>{0} kopiert.</translation>
    </message>
    <message>
        <source>Lower left here</source>
        <translation>Linke untere Ecke hier</translation>
    </message>
    <message>
        <source>Copy the selected curves</source>
        <translation>Die ausgewählten Kurven kopieren</translation>
    </message>
    <message>
        <source>Paste curves at a point</source>
        <translation>Kurven an einem Punkt einfügen</translation>
    </message>
    <message>
        <source>curve</source>
        <translation>Kurve</translation>
    </message>
    <message>
        <source>curves</source>
        <translation>Kurven</translation>
    </message>
    <message>
        <source>from {0}</source>
        <translation>von {0}</translation>
    </message>
    <message>
        <source>Paste them all the same</source>
        <translation>Trotzdem einfügen</translation>
    </message>
    <message>
        <source>a curve</source>
        <translation>eine Kurve</translation>
    </message>
    <message>
        <source>{0} curves</source>
        <translation>{0} Kurven</translation>
    </message>
    <message>
        <source>{0}: select {1} first, then take the tool again.</source>
        <translation>{0}: zuerst {1} auswählen, dann das Werkzeug noch einmal nehmen.</translation>
    </message>
    <message>
        <source>{0}: click or type.</source>
        <translation>{0}: klicken oder tippen.</translation>
    </message>
    <message>
        <source>Type the value, then Return.</source>
        <translation>Den Wert tippen, dann Eingabe.</translation>
    </message>
    <message>
        <source>That is no point. Type x, y, or @dx, dy, or length &lt; angle.</source>
        <translation>Das ist kein Punkt. x, y oder @dx, dy oder Länge &lt; Winkel tippen.</translation>
    </message>
    <message>
        <source>{0}: click first: {1}.</source>
        <translation>{0}: zuerst klicken: {1}.</translation>
    </message>
    <message>
        <source>Drawing tool</source>
        <translation>Zeichenwerkzeug</translation>
    </message>
    <message>
        <source>Point</source>
        <translation>Punkt</translation>
    </message>
    <message>
        <source>x, y   or   @dx, dy   or   length &lt; angle</source>
        <translation>x, y   oder   @dx, dy   oder   Länge &lt; Winkel</translation>
    </message>
    <message>
        <source>Value</source>
        <translation>Wert</translation>
    </message>
    <message>
        <source>Do it</source>
        <translation>Ausführen</translation>
    </message>
    <message>
        <source>Do it with the typed value</source>
        <translation>Mit dem getippten Wert ausführen</translation>
    </message>
    <message>
        <source>End</source>
        <translation>Beenden</translation>
    </message>
    <message>
        <source>End the tool</source>
        <translation>Das Werkzeug weglegen</translation>
    </message>
    <message>
        <source>From</source>
        <translation>Von</translation>
    </message>
    <message>
        <source>To</source>
        <translation>Nach</translation>
    </message>
    <message>
        <source>Start</source>
        <translation>Anfang</translation>
    </message>
    <message>
        <source>Through</source>
        <translation>Durch</translation>
    </message>
    <message>
        <source>a tangent arc</source>
        <translation>ein tangentialer Bogen</translation>
    </message>
    <message>
        <source>a circle</source>
        <translation>ein Kreis</translation>
    </message>
    <message>
        <source>a rectangle</source>
        <translation>ein Rechteck</translation>
    </message>
    <message>
        <source>a closed polyline</source>
        <translation>eine geschlossene Polylinie</translation>
    </message>
    <message>
        <source>a polyline</source>
        <translation>eine Polylinie</translation>
    </message>
    <message>
        <source>a line across the gap</source>
        <translation>eine Linie über die Lücke</translation>
    </message>
    <message>
        <source>a midpoint line</source>
        <translation>eine Mittellinie</translation>
    </message>
    <message>
        <source>a centre mark</source>
        <translation>ein Mittenkreuz</translation>
    </message>
    <message>
        <source>Move curves</source>
        <translation>Kurven verschieben</translation>
    </message>
    <message>
        <source>Turn curves by {0:g}°</source>
        <translation>Kurven um {0:g}° drehen</translation>
    </message>
    <message>
        <source>Scale curves by {0:g}</source>
        <translation>Kurven mit {0:g} skalieren</translation>
    </message>
    <message>
        <source>Mirror curves</source>
        <translation>Kurven spiegeln</translation>
    </message>
    <message>
        <source>Array of {0} copies</source>
        <translation>Reihe von {0} Kopien</translation>
    </message>
    <message>
        <source>Line</source>
        <translation>Linie</translation>
    </message>
    <message>
        <source>Polyline</source>
        <translation>Polylinie</translation>
    </message>
    <message>
        <source>Rectangle</source>
        <translation>Rechteck</translation>
    </message>
    <message>
        <source>Arc by three points</source>
        <translation>Bogen durch drei Punkte</translation>
    </message>
    <message>
        <source>Arc tangent to an end</source>
        <translation>Bogen tangential an ein Ende</translation>
    </message>
    <message>
        <source>Circle by its centre</source>
        <translation>Kreis um seine Mitte</translation>
    </message>
    <message>
        <source>Radius</source>
        <translation>Radius</translation>
    </message>
    <message>
        <source>Circle by two ends</source>
        <translation>Kreis über zwei Enden</translation>
    </message>
    <message>
        <source>Construction line</source>
        <translation>Hilfslinie</translation>
    </message>
    <message>
        <source>Midpoint line of two curves</source>
        <translation>Mittellinie zweier Kurven</translation>
    </message>
    <message>
        <source>Centre mark</source>
        <translation>Mittenkreuz</translation>
    </message>
    <message>
        <source>Close the gap of two curves</source>
        <translation>Die Lücke zweier Kurven schließen</translation>
    </message>
    <message>
        <source>Trim</source>
        <translation>Stutzen</translation>
    </message>
    <message>
        <source>Extend to the next curve</source>
        <translation>Bis zur nächsten Kurve verlängern</translation>
    </message>
    <message>
        <source>Split</source>
        <translation>Teilen</translation>
    </message>
    <message>
        <source>Join</source>
        <translation>Verbinden</translation>
    </message>
    <message>
        <source>Fillet</source>
        <translation>Verrundung</translation>
    </message>
    <message>
        <source>Chamfer</source>
        <translation>Fase</translation>
    </message>
    <message>
        <source>Offset</source>
        <translation>Versatz</translation>
    </message>
    <message>
        <source>Offset to both sides</source>
        <translation>Versatz nach beiden Seiten</translation>
    </message>
    <message>
        <source>Distance</source>
        <translation>Abstand</translation>
    </message>
    <message>
        <source>Move</source>
        <translation>Verschieben</translation>
    </message>
    <message>
        <source>Turn about a point</source>
        <translation>Um einen Punkt drehen</translation>
    </message>
    <message>
        <source>Angle in °</source>
        <translation>Winkel in °</translation>
    </message>
    <message>
        <source>Scale about a point</source>
        <translation>Um einen Punkt skalieren</translation>
    </message>
    <message>
        <source>Factor</source>
        <translation>Faktor</translation>
    </message>
    <message>
        <source>Mirror</source>
        <translation>Spiegeln</translation>
    </message>
    <message>
        <source>Array</source>
        <translation>Reihe</translation>
    </message>
    <message>
        <source>Copies</source>
        <translation>Kopien</translation>
    </message>
    <message>
        <source>Lock curves</source>
        <translation>Kurven sperren</translation>
    </message>
    <message>
        <source>Unlock curves</source>
        <translation>Kurven entsperren</translation>
    </message>
    <message>
        <source>Those points lie on one line.</source>
        <translation>Diese Punkte liegen auf einer Geraden.</translation>
    </message>
    <message>
        <source>That would be {0} without length.</source>
        <translation>Das wäre {0} ohne Länge.</translation>
    </message>
    <message>
        <source>There is no curve at the first point.</source>
        <translation>Am ersten Punkt ist keine Kurve.</translation>
    </message>
    <message>
        <source>That point lies straight behind the end; no arc leads there.</source>
        <translation>Dieser Punkt liegt gerade hinter dem Ende; kein Bogen führt dorthin.</translation>
    </message>
    <message>
        <source>A circle needs a radius above 0.</source>
        <translation>Ein Kreis braucht einen Radius über 0.</translation>
    </message>
    <message>
        <source>That would be a rectangle without area.</source>
        <translation>Das wäre ein Rechteck ohne Fläche.</translation>
    </message>
    <message>
        <source>A polyline needs two points at least.</source>
        <translation>Eine Polylinie braucht mindestens zwei Punkte.</translation>
    </message>
    <message>
        <source>No circle or arc is selected.</source>
        <translation>Kein Kreis oder Bogen ist ausgewählt.</translation>
    </message>
    <message>
        <source>An array needs one copy at least.</source>
        <translation>Eine Reihe braucht mindestens eine Kopie.</translation>
    </message>
    <message>
        <source>Next point, or Return</source>
        <translation>Nächster Punkt, oder Eingabe</translation>
    </message>
    <message>
        <source>One corner</source>
        <translation>Eine Ecke</translation>
    </message>
    <message>
        <source>The corner across</source>
        <translation>Die Ecke gegenüber</translation>
    </message>
    <message>
        <source>End of a curve</source>
        <translation>Ende einer Kurve</translation>
    </message>
    <message>
        <source>Centre</source>
        <translation>Mitte</translation>
    </message>
    <message>
        <source>On it</source>
        <translation>Auf dem Rand</translation>
    </message>
    <message>
        <source>Part to take out</source>
        <translation>Teil, der wegfällt</translation>
    </message>
    <message>
        <source>End to draw on</source>
        <translation>Ende, das weitergezeichnet wird</translation>
    </message>
    <message>
        <source>Where</source>
        <translation>Wo</translation>
    </message>
    <message>
        <source>Setback</source>
        <translation>Fasenlänge</translation>
    </message>
    <message>
        <source>One point of the line</source>
        <translation>Ein Punkt der Geraden</translation>
    </message>
    <message>
        <source>Another</source>
        <translation>Noch einer</translation>
    </message>
    <message>
        <source>Take three that do not.</source>
        <translation>Drei nehmen, für die das nicht gilt.</translation>
    </message>
    <message>
        <source>Take points that lie apart.</source>
        <translation>Punkte nehmen, die auseinander liegen.</translation>
    </message>
    <message>
        <source>Click the end that it is to leave.</source>
        <translation>Das Ende anklicken, von dem er ausgehen soll.</translation>
    </message>
    <message>
        <source>Click beside it.</source>
        <translation>Daneben klicken.</translation>
    </message>
    <message>
        <source>Type one, or click beside the centre.</source>
        <translation>Einen tippen oder neben die Mitte klicken.</translation>
    </message>
    <message>
        <source>Take corners that lie across.</source>
        <translation>Ecken nehmen, die einander gegenüber liegen.</translation>
    </message>
    <message>
        <source>Click or type another.</source>
        <translation>Noch einen klicken oder tippen.</translation>
    </message>
    <message>
        <source>Select one first.</source>
        <translation>Zuerst einen auswählen.</translation>
    </message>
    <message>
        <source>There is no curve there.</source>
        <translation>Dort ist keine Kurve.</translation>
    </message>
    <message>
        <source>What is selected has no {0}.</source>
        <translation>Das Ausgewählte hat keine {0}.</translation>
    </message>
    <message>
        <source>A {0} must be above 0.</source>
        <translation>Die {0} muss über 0 liegen.</translation>
    </message>
    <message>
        <source>Type how many.</source>
        <translation>Tippen, wie viele.</translation>
    </message>
    <message>
        <source>a line</source>
        <translation>eine Linie</translation>
    </message>
    <message>
        <source>an arc</source>
        <translation>ein Bogen</translation>
    </message>
    <message>
        <source>a construction line</source>
        <translation>eine Hilfslinie</translation>
    </message>
    <message>
        <source>Scale to a {0} about a point</source>
        <translation>Auf eine {0} um einen Punkt skalieren</translation>
    </message>
    <message>
        <source>Click nearer to one.</source>
        <translation>Näher an eine klicken.</translation>
    </message>
    <message>
        <source>Scale it by a factor.</source>
        <translation>Mit einem Faktor skalieren.</translation>
    </message>
    <message>
        <source>Type another.</source>
        <translation>Einen anderen tippen.</translation>
    </message>
    <message>
        <source>Undo</source>
        <translation>Rückgängig</translation>
    </message>
    <message>
        <source>Redo</source>
        <translation>Wiederholen</translation>
    </message>
    <message>
        <source>Select all curves</source>
        <translation>Alle Kurven auswählen</translation>
    </message>
    <message>
        <source>Select nothing</source>
        <translation>Nichts auswählen</translation>
    </message>
    <message>
        <source>Stop computing</source>
        <translation>Das Rechnen anhalten</translation>
    </message>
    <message>
        <source>Begin again what was stopped</source>
        <translation>Das Angehaltene von vorn beginnen</translation>
    </message>
    <message>
        <source> {0} more wait behind it.</source>
        <translation> Dahinter warten noch {0}.</translation>
    </message>
    <message>
        <source>“{0}” was not saved when the program ended. There is a copy from {1}.{2}</source>
        <translation>„{0}“ war nicht gesichert, als das Programm endete. Es gibt eine Kopie von {1}.{2}</translation>
    </message>
    <message>
        <source>Save the job</source>
        <translation>Den Auftrag sichern</translation>
    </message>
    <message>
        <source>Save the job as…</source>
        <translation>Den Auftrag sichern unter…</translation>
    </message>
    <message>
        <source>Open the copy</source>
        <translation>Die Kopie öffnen</translation>
    </message>
    <message>
        <source>Discard it</source>
        <translation>Verwerfen</translation>
    </message>
    <message>
        <source>Keys</source>
        <translation>Tasten</translation>
    </message>
    <message>
        <source>| Key | What it does |</source>
        <translation>| Taste | Was sie tut |</translation>
    </message>
    <message>
        <source>About Syntaxa</source>
        <translation>Über Syntaxa</translation>
    </message>
    <message>
        <source>Syntaxa {0}

Turns received drawings into closed, true-size profiles, with every change accounted for.

Free software under the GNU General Public License, version 3 or later.</source>
        <translation>Syntaxa {0}

Macht aus erhaltenen Zeichnungen geschlossene Konturen in wahrer Größe und legt über jede Änderung Rechenschaft ab.

Freie Software unter der GNU General Public License, Version 3 oder später.</translation>
    </message>
    <message>
        <source>Help on this stage</source>
        <translation>Hilfe zu dieser Stufe</translation>
    </message>
    <message>
        <source>Help</source>
        <translation>Hilfe</translation>
    </message>
    <message>
        <source>Search the help</source>
        <translation>Die Hilfe durchsuchen</translation>
    </message>
    <message>
        <source>Search</source>
        <translation>Suchen</translation>
    </message>
    <message>
        <source>Pages</source>
        <translation>Seiten</translation>
    </message>
    <message>
        <source>Page</source>
        <translation>Seite</translation>
    </message>
    <message>
        <source>Nothing in the help has “{0}”.</source>
        <translation>Nichts in der Hilfe enthält „{0}“.</translation>
    </message>
    <message>
        <source>Fit everything</source>
        <translation>Alles zeigen</translation>
    </message>
    <message>
        <source>Zoom in</source>
        <translation>Näher heran</translation>
    </message>
    <message>
        <source>Zoom out</source>
        <translation>Weiter weg</translation>
    </message>
    <message>
        <source>Received drawing beneath</source>
        <translation>Erhaltene Zeichnung darunter</translation>
    </message>
    <message>
        <source>Texts, dimensions and pictures</source>
        <translation>Texte, Maße und Bilder</translation>
    </message>
    <message>
        <source>Paper or Night</source>
        <translation>Papier oder Nacht</translation>
    </message>
    <message>
        <source>What was measured</source>
        <translation>Was gemessen wurde</translation>
    </message>
    <message>
        <source>Copy</source>
        <translation>Kopieren</translation>
    </message>
    <message>
        <source>Copy the value</source>
        <translation>Den Wert kopieren</translation>
    </message>
    <message>
        <source>Close the measuring strip</source>
        <translation>Die Messleiste schließen</translation>
    </message>
    <message>
        <source>Add</source>
        <translation>Hinzu</translation>
    </message>
    <message>
        <source>Add the value to the running total</source>
        <translation>Den Wert zur laufenden Summe geben</translation>
    </message>
    <message>
        <source>Clear</source>
        <translation>Leeren</translation>
    </message>
    <message>
        <source>Clear the running total</source>
        <translation>Die laufende Summe leeren</translation>
    </message>
    <message>
        <source>Total of {0}: {1}</source>
        <translation>Summe von {0}: {1}</translation>
    </message>
    <message>
        <source>Click two points.</source>
        <translation>Zwei Punkte anklicken.</translation>
    </message>
    <message>
        <source>Click a point, the corner, and a point on the other side.</source>
        <translation>Einen Punkt, die Ecke und einen Punkt auf der anderen Seite anklicken.</translation>
    </message>
    <message>
        <source>First point</source>
        <translation>Erster Punkt</translation>
    </message>
    <message>
        <source>Click the points of a way.</source>
        <translation>Die Punkte eines Weges anklicken.</translation>
    </message>
    <message>
        <source>Distance of two points</source>
        <translation>Abstand zweier Punkte</translation>
    </message>
    <message>
        <source>Angle over three points</source>
        <translation>Winkel über drei Punkte</translation>
    </message>
    <message>
        <source>Way over many points</source>
        <translation>Weg über viele Punkte</translation>
    </message>
    <message>
        <source>Measure what is selected</source>
        <translation>Das Ausgewählte messen</translation>
    </message>
    <message>
        <source>Copy the measured value</source>
        <translation>Den gemessenen Wert kopieren</translation>
    </message>
    <message>
        <source>Corner</source>
        <translation>Ecke</translation>
    </message>
    <message>
        <source>Next point</source>
        <translation>Nächster Punkt</translation>
    </message>
    <message>
        <source>Click on; Escape ends the way.</source>
        <translation>Weiter klicken; Esc beendet den Weg.</translation>
    </message>
    <message>
        <source>step</source>
        <translation>Schritt</translation>
    </message>
    <message>
        <source>steps</source>
        <translation>Schritte</translation>
    </message>
    <message>
        <source>Save the steps as a recipe…</source>
        <translation>Die Schritte als Rezept sichern…</translation>
    </message>
    <message>
        <source>Save only rules and line styles…</source>
        <translation>Nur Regeln und Linienarten sichern…</translation>
    </message>
    <message>
        <source>Use a recipe in this job…</source>
        <translation>Ein Rezept in diesem Auftrag anwenden…</translation>
    </message>
    <message>
        <source>Run a recipe on many drawings…</source>
        <translation>Ein Rezept auf viele Zeichnungen anwenden…</translation>
    </message>
    <message>
        <source>{0} has {1}. What only fits this drawing was left out: {2}.</source>
        <translation>{0} hat {1}. Weggelassen wurde, was nur zu dieser Zeichnung passt: {2}.</translation>
    </message>
    <message>
        <source>Saved {0} with {1}.</source>
        <translation>{0} mit {1} gesichert.</translation>
    </message>
    <message>
        <source>Use the recipe {0}</source>
        <translation>Das Rezept {0} anwenden</translation>
    </message>
    <message>
        <source>in block {0}</source>
        <translation>in Block {0}</translation>
    </message>
    <message>
        <source>A fault in the program: {0}. The job is as it was; save it under another name.</source>
        <translation>Ein Fehler im Programm: {0}. Der Auftrag ist, wie er war; bitte unter anderem Namen sichern.</translation>
    </message>
    <message>
        <source>Getting ready</source>
        <translation>Wird vorbereitet</translation>
    </message>
    <message>
        <source>Opening {0}</source>
        <translation>{0} wird geöffnet</translation>
    </message>
    <message>
        <source>Saving {0}</source>
        <translation>{0} wird gesichert</translation>
    </message>
    <message>
        <source>Saved {0}.</source>
        <translation>{0} gesichert.</translation>
    </message>
    <message>
        <source>Keeping a copy</source>
        <translation>Eine Kopie wird abgelegt</translation>
    </message>
    <message>
        <source>{0} is open in another window as well. Save one of the two under another name.</source>
        <translation>{0} ist auch in einem anderen Fenster offen. Bitte eines von beiden unter anderem Namen sichern.</translation>
    </message>
    <message>
        <source>The recovery copy could not be written.</source>
        <translation>Die Sicherungskopie konnte nicht geschrieben werden.</translation>
    </message>
    <message>
        <source>{0} was changed by another program or window since it was opened; nothing was saved. Save under another name, or save again to replace it.</source>
        <translation>{0} wurde seit dem Öffnen von einem anderen Programm oder Fenster geändert; nichts wurde gesichert. Unter anderem Namen sichern, oder noch einmal sichern, um sie zu ersetzen.</translation>
    </message>
    <message>
        <source>A fault in the program stopped this; the job is as it was. The log has the details.</source>
        <translation>Ein Fehler im Programm hat dies angehalten; der Auftrag ist, wie er war. Näheres steht im Protokoll.</translation>
    </message>
    <message>
        <source>Computing</source>
        <translation>Es wird gerechnet</translation>
    </message>
    <message>
        <source>Stopped: {0}. Shift+F5 begins again.</source>
        <translation>Angehalten: {0}. Umschalt+F5 beginnt von vorn.</translation>
    </message>
    <message>
        <source>Remove a step</source>
        <translation>Einen Schritt entfernen</translation>
    </message>
    <message>
        <source>Stopped; the job is as it was before.</source>
        <translation>Angehalten; der Auftrag ist wie zuvor.</translation>
    </message>
    <message>
        <source>Switch a step on</source>
        <translation>Einen Schritt einschalten</translation>
    </message>
    <message>
        <source>Switch a step off</source>
        <translation>Einen Schritt ausschalten</translation>
    </message>
    <message>
        <source>Stopped before it was done; nothing was changed.</source>
        <translation>Vor dem Ende angehalten; nichts wurde geändert.</translation>
    </message>
    <message>
        <source>Replace layer {0} from {1}</source>
        <translation>Layer {0} aus {1} ersetzen</translation>
    </message>
    <message>
        <source>Looking for changes</source>
        <translation>Nach Änderungen wird gesehen</translation>
    </message>
    <message>
        <source>{0} drawings</source>
        <translation>{0} Zeichnungen</translation>
    </message>
    <message>
        <source>Add {0}</source>
        <translation>{0} hinzunehmen</translation>
    </message>
    <message>
        <source>Remove a source</source>
        <translation>Eine Quelle entfernen</translation>
    </message>
    <message>
        <source>Take over the new {0}</source>
        <translation>Die neue {0} übernehmen</translation>
    </message>
    <message>
        <source>Drawings and jobs ({0} *.sxj);;All files (*)</source>
        <translation>Zeichnungen und Aufträge ({0} *.sxj);;Alle Dateien (*)</translation>
    </message>
    <message>
        <source>STEP (*.step *.stp);;STL (*.stl);;3MF (*.3mf)</source>
        <translation>STEP (*.step *.stp);;STL (*.stl);;3MF (*.3mf)</translation>
    </message>
    <message>
        <source>“{0}” has changes that are not saved.</source>
        <translation>„{0}“ hat Änderungen, die nicht gesichert sind.</translation>
    </message>
    <message>
        <source>Open a drawing or a job</source>
        <translation>Eine Zeichnung oder einen Auftrag öffnen</translation>
    </message>
    <message>
        <source>Drawings ({0});;All files (*)</source>
        <translation>Zeichnungen ({0});;Alle Dateien (*)</translation>
    </message>
    <message>
        <source>Look through a folder</source>
        <translation>Einen Ordner durchsehen</translation>
    </message>
    <message>
        <source>Choose a recipe</source>
        <translation>Ein Rezept wählen</translation>
    </message>
    <message>
        <source>Recipes (*.sxr);;All files (*)</source>
        <translation>Rezepte (*.sxr);;Alle Dateien (*)</translation>
    </message>
    <message>
        <source>Save the recipe</source>
        <translation>Das Rezept sichern</translation>
    </message>
    <message>
        <source>Recipes (*.sxr)</source>
        <translation>Rezepte (*.sxr)</translation>
    </message>
    <message>
        <source>Choose a table</source>
        <translation>Eine Tabelle wählen</translation>
    </message>
    <message>
        <source>Tables (*.csv);;All files (*)</source>
        <translation>Tabellen (*.csv);;Alle Dateien (*)</translation>
    </message>
    <message>
        <source>Save the table</source>
        <translation>Die Tabelle sichern</translation>
    </message>
    <message>
        <source>Tables (*.csv)</source>
        <translation>Tabellen (*.csv)</translation>
    </message>
    <message>
        <source>Save the report</source>
        <translation>Den Bericht sichern</translation>
    </message>
    <message>
        <source>Text (*.txt);;JSON (*.json)</source>
        <translation>Text (*.txt);;JSON (*.json)</translation>
    </message>
    <message>
        <source>Save the mending report</source>
        <translation>Den Bericht der Heilung sichern</translation>
    </message>
    <message>
        <source>Page (*.html);;PDF (*.pdf);;JSON (*.json)</source>
        <translation>Seite (*.html);;PDF (*.pdf);;JSON (*.json)</translation>
    </message>
    <message>
        <source>Replace one layer</source>
        <translation>Einen Layer ersetzen</translation>
    </message>
    <message>
        <source>The layer to take from another file:</source>
        <translation>Der Layer, der aus einer anderen Datei kommen soll:</translation>
    </message>
    <message>
        <source>Jobs (*.sxj)</source>
        <translation>Aufträge (*.sxj)</translation>
    </message>
    <message>
        <source>Write the bodies</source>
        <translation>Die Körper schreiben</translation>
    </message>
    <message>
        <source>Write the profiles</source>
        <translation>Die Konturen schreiben</translation>
    </message>
    <message>
        <source>A locked drawing</source>
        <translation>Eine gesperrte Zeichnung</translation>
    </message>
    <message>
        <source>Unsaved work</source>
        <translation>Nicht gesicherte Arbeit</translation>
    </message>
    <message>
        <source> Marked on the drawing (+ came, − went): {0}.</source>
        <translation> In der Zeichnung markiert (+ kam, − ging): {0}.</translation>
    </message>
    <message>
        <source>Bar: how far anything was moved, from 0.001 to 10 mm; full off its line, open along it.</source>
        <translation>Balken: wie weit etwas verschoben wurde, von 0,001 bis 10 mm; voll: quer zur Linie, offen: längs.</translation>
    </message>
    <message>
        <source>This step is switched off.</source>
        <translation>Dieser Schritt ist ausgeschaltet.</translation>
    </message>
    <message>
        <source>Skipped: {0}</source>
        <translation>Übergangen: {0}</translation>
    </message>
    <message>
        <source>Took {0:.2f} s.</source>
        <translation>Dauerte {0:.2f} s.</translation>
    </message>
    <message>
        <source> It is about everything, so nothing is marked on the drawing.</source>
        <translation> Er betrifft alles, darum ist in der Zeichnung nichts markiert.</translation>
    </message>
    <message>
        <source> No curve looks any different.</source>
        <translation> Keine Kurve sieht anders aus.</translation>
    </message>
    <message>
        <source>Show</source>
        <translation>Zeigen</translation>
    </message>
    <message>
        <source>Show the ledger over the panel</source>
        <translation>Das Buch über der Tafel zeigen</translation>
    </message>
    <message>
        <source>Shows every step with what it did (Ctrl+L)</source>
        <translation>Zeigt jeden Schritt mit dem, was er tat (Strg+L)</translation>
    </message>
    <message>
        <source>Nothing was changed yet.</source>
        <translation>Noch wurde nichts geändert.</translation>
    </message>
    <message>
        <source>Back to the panel</source>
        <translation>Zurück zur Tafel</translation>
    </message>
    <message>
        <source>Ledger of steps</source>
        <translation>Buch der Schritte</translation>
    </message>
    <message>
        <source>Remove</source>
        <translation>Entfernen</translation>
    </message>
    <message>
        <source>Remove the chosen step</source>
        <translation>Den gewählten Schritt entfernen</translation>
    </message>
    <message>
        <source>{0} changed</source>
        <translation>{0} geändert</translation>
    </message>
    <message>
        <source>nothing changed</source>
        <translation>nichts geändert</translation>
    </message>
    <message>
        <source>{0:.4g} mm of curve dropped.</source>
        <translation>{0:.4g} mm Kurve fielen weg.</translation>
    </message>
    <message>
        <source>Not found any more: {0}{1}.</source>
        <translation>Nicht mehr zu finden: {0}{1}.</translation>
    </message>
    <message>
        <source>Ledger</source>
        <translation>Buch</translation>
    </message>
    <message>
        <source>Hide</source>
        <translation>Verbergen</translation>
    </message>
    <message>
        <source>Show the panel again</source>
        <translation>Wieder die Tafel zeigen</translation>
    </message>
    <message>
        <source>⚠ {0} to look at. {1}</source>
        <translation>⚠ {0} anzusehen. {1}</translation>
    </message>
    <message>
        <source>Type a part of a command</source>
        <translation>Einen Teil eines Befehls tippen</translation>
    </message>
    <message>
        <source>Find a command</source>
        <translation>Einen Befehl suchen</translation>
    </message>
    <message>
        <source>Commands found</source>
        <translation>Gefundene Befehle</translation>
    </message>
    <message>
        <source>{0} Escape gives up.</source>
        <translation>{0} Esc gibt auf.</translation>
    </message>
    <message>
        <source>Stages</source>
        <translation>Stufen</translation>
    </message>
    <message>
        <source>{0}, {1} open</source>
        <translation>{0}, {1} offen</translation>
    </message>
    <message>
        <source>Working: this is how it was before the last change</source>
        <translation>In Arbeit: so war es vor der letzten Änderung</translation>
    </message>
    <message>
        <source>Cursor position</source>
        <translation>Stelle des Zeigers</translation>
    </message>
    <message>
        <source>Progress</source>
        <translation>Fortschritt</translation>
    </message>
    <message>
        <source>Cursor at {0}</source>
        <translation>Zeiger bei {0}</translation>
    </message>
    <message>
        <source>lengths in {0}</source>
        <translation>Längen in {0}</translation>
    </message>
    <message>
        <source>{0} curves, {1} in all</source>
        <translation>{0} Kurven, zusammen {1}</translation>
    </message>
    <message>
        <source>DXF, DWG, SVG, PDF, scans or triangles: Syntaxa settles unit and origin, sorts layers, closes gaps, and hands back clean closed profiles. Nothing is changed without a row in the ledger.</source>
        <translation>DXF, DWG, SVG, PDF, Scans oder Dreiecke: Syntaxa klärt Einheit und Ursprung, ordnet Layer, schließt Lücken und gibt saubere, geschlossene Konturen zurück. Nichts wird geändert, ohne dass es im Buch steht.</translation>
    </message>
    <message>
        <source>Look through a folder…</source>
        <translation>Einen Ordner durchsehen…</translation>
    </message>
    <message>
        <source>Drop drawings here</source>
        <translation>Zeichnungen hier ablegen</translation>
    </message>
    <message>
        <source>Open a drawing…</source>
        <translation>Eine Zeichnung öffnen…</translation>
    </message>
    <message>
        <source>Open the demo</source>
        <translation>Das Beispiel öffnen</translation>
    </message>
    <message>
        <source>Go to {0}</source>
        <translation>Zu {0}</translation>
    </message>
    <message>
        <source>Ledger over the panel</source>
        <translation>Buch über der Tafel</translation>
    </message>
    <message>
        <source>Find a command…</source>
        <translation>Einen Befehl suchen…</translation>
    </message>
    <message>
        <source>{0}[*] – Syntaxa</source>
        <translation>{0}[*] – Syntaxa</translation>
    </message>
    <message>
        <source>Syntaxa</source>
        <translation>Syntaxa</translation>
    </message>
    <message>
        <source>Programs (*.nc *.ngc *.gcode *.tap)</source>
        <translation>Programme (*.nc *.ngc *.gcode *.tap)</translation>
    </message>
    <message>
        <source>Page (*.html);;PDF (*.pdf)</source>
        <translation>Seite (*.html);;PDF (*.pdf)</translation>
    </message>
    <message>
        <source>SVG (*.svg);;DXF (*.dxf);;PDF (*.pdf)</source>
        <translation>SVG (*.svg);;DXF (*.dxf);;PDF (*.pdf)</translation>
    </message>
    <message>
        <source>Writing {0}</source>
        <translation>{0} wird geschrieben</translation>
    </message>
    <message>
        <source>Write the program</source>
        <translation>Das Programm schreiben</translation>
    </message>
    <message>
        <source>Write the programs of all sheets</source>
        <translation>Die Programme aller Tafeln schreiben</translation>
    </message>
    <message>
        <source>Write the setup sheet</source>
        <translation>Das Einrichteblatt schreiben</translation>
    </message>
    <message>
        <source>Write the paths</source>
        <translation>Die Bahnen schreiben</translation>
    </message>
    <message>
        <source>Choose a machine</source>
        <translation>Eine Maschine wählen</translation>
    </message>
    <message>
        <source>Machines (*.toml)</source>
        <translation>Maschinen (*.toml)</translation>
    </message>
    <message>
        <source>Choose a table of tools</source>
        <translation>Eine Werkzeugtabelle wählen</translation>
    </message>
    <message>
        <source>Write the tools</source>
        <translation>Die Werkzeuge schreiben</translation>
    </message>
    <message>
        <source>Choose a set of operations</source>
        <translation>Einen Satz Arbeitsgänge wählen</translation>
    </message>
    <message>
        <source>Sets of operations (*.toml)</source>
        <translation>Sätze von Arbeitsgängen (*.toml)</translation>
    </message>
    <message>
        <source>Keep the operations as a set</source>
        <translation>Die Arbeitsgänge als Satz behalten</translation>
    </message>
    <message>
        <source> What was picked on the drawing stays out of it: {0}.</source>
        <translation> Was in der Zeichnung ausgewählt war, bleibt draußen: {0}.</translation>
    </message>
    <message>
        <source>Add an operation</source>
        <translation>Einen Arbeitsgang hinzufügen</translation>
    </message>
    <message>
        <source>Play the program, or stand still</source>
        <translation>Das Programm abspielen oder anhalten</translation>
    </message>
    <message>
        <source>One move ahead</source>
        <translation>Eine Bewegung vor</translation>
    </message>
    <message>
        <source>One move back</source>
        <translation>Eine Bewegung zurück</translation>
    </message>
    <message>
        <source>Next thing that the bench machine found</source>
        <translation>Nächster Befund der Prüfmaschine</translation>
    </message>
    <message>
        <source>Write the program…</source>
        <translation>Das Programm schreiben…</translation>
    </message>
    <message>
        <source>Write a program for each tool…</source>
        <translation>Ein Programm je Werkzeug schreiben…</translation>
    </message>
    <message>
        <source>Write the programs of all sheets…</source>
        <translation>Die Programme aller Tafeln schreiben…</translation>
    </message>
    <message>
        <source>Write the setup sheet…</source>
        <translation>Das Einrichteblatt schreiben…</translation>
    </message>
    <message>
        <source>Write the paths as a drawing…</source>
        <translation>Die Bahnen als Zeichnung schreiben…</translation>
    </message>
    <message>
        <source> Mind: {0} wrong with the program.</source>
        <translation> Achtung: {0} am Programm falsch.</translation>
    </message>
    <message>
        <source>thing is</source>
        <translation>Sache ist</translation>
    </message>
    <message>
        <source>things are</source>
        <translation>Sachen sind</translation>
    </message>
    <message>
        <source>{0} files.</source>
        <translation>{0} Dateien.</translation>
    </message>
    <message>
        <source>Wrote {0}.</source>
        <translation>{0} geschrieben.</translation>
    </message>
    <message>
        <source>Kept {0}.{1}</source>
        <translation>{0} behalten.{1}</translation>
    </message>
    <message>
        <source>Wrote {0}.{1}</source>
        <translation>{0} geschrieben.{1}</translation>
    </message>
    <message>
        <source>{0} has {1} wrong.</source>
        <translation>{0} hat {1} falsch.</translation>
    </message>
    <message>
        <source>Wrote {0}, {1}-1 and so on.</source>
        <translation>{0} geschrieben, {1}-1 und so weiter.</translation>
    </message>
    <message>
        <source>thing</source>
        <translation>Sache</translation>
    </message>
    <message>
        <source>things</source>
        <translation>Sachen</translation>
    </message>
    <message>
        <source>program</source>
        <translation>Programm</translation>
    </message>
    <message>
        <source>programs</source>
        <translation>Programme</translation>
    </message>
    <message>
        <source>none</source>
        <translation>keine</translation>
    </message>
    <message>
        <source>line</source>
        <translation>Linie</translation>
    </message>
    <message>
        <source>arc</source>
        <translation>Bogen</translation>
    </message>
    <message>
        <source>Depth</source>
        <translation>Tiefe</translation>
    </message>
    <message>
        <source>Begins below</source>
        <translation>Beginnt unter</translation>
    </message>
    <message>
        <source>Step down</source>
        <translation>Zustellung</translation>
    </message>
    <message>
        <source>Last pass</source>
        <translation>Letzter Durchgang</translation>
    </message>
    <message>
        <source>Step over</source>
        <translation>Bahnabstand</translation>
    </message>
    <message>
        <source>Leave on the wall</source>
        <translation>Aufmaß an der Wand</translation>
    </message>
    <message>
        <source>Pass at the wall</source>
        <translation>Durchgang an der Wand</translation>
    </message>
    <message>
        <source>Direction</source>
        <translation>Richtung</translation>
    </message>
    <message>
        <source>Feed</source>
        <translation>Vorschub</translation>
    </message>
    <message>
        <source>Plunge feed</source>
        <translation>Eintauchvorschub</translation>
    </message>
    <message>
        <source>Speed</source>
        <translation>Drehzahl</translation>
    </message>
    <message>
        <source>Way down</source>
        <translation>Weg hinab</translation>
    </message>
    <message>
        <source>Ramp angle</source>
        <translation>Rampenwinkel</translation>
    </message>
    <message>
        <source>Lead in</source>
        <translation>Anfahren</translation>
    </message>
    <message>
        <source>Lead size</source>
        <translation>Länge der Anfahrt</translation>
    </message>
    <message>
        <source>Lead out</source>
        <translation>Ausfahren</translation>
    </message>
    <message>
        <source>Overcut</source>
        <translation>Überlauf</translation>
    </message>
    <message>
        <source>Corners</source>
        <translation>Ecken</translation>
    </message>
    <message>
        <source>Tabs</source>
        <translation>Stege</translation>
    </message>
    <message>
        <source>A tab every</source>
        <translation>Ein Steg alle</translation>
    </message>
    <message>
        <source>Tab width</source>
        <translation>Stegbreite</translation>
    </message>
    <message>
        <source>Tab height</source>
        <translation>Steghöhe</translation>
    </message>
    <message>
        <source>Shared lines</source>
        <translation>Gemeinsame Linien</translation>
    </message>
    <message>
        <source>Pierce</source>
        <translation>Einstechen</translation>
    </message>
    <message>
        <source>Peck</source>
        <translation>Spanbrechen</translation>
    </message>
    <message>
        <source>Dwell</source>
        <translation>Verweilen</translation>
    </message>
    <message>
        <source>How deep below the top: 5, thickness of a parameter, d1 / 2. Empty goes through.</source>
        <translation>Wie tief unter der Oberseite: 5, Dicke eines Parameters, d1 / 2. Leer geht durch.</translation>
    </message>
    <message>
        <source>How far below the top of the stock the material begins here.</source>
        <translation>Wie weit unter der Oberseite des Rohlings das Material hier beginnt.</translation>
    </message>
    <message>
        <source>Depth of a pass; 0 for one pass.</source>
        <translation>Tiefe eines Durchgangs; 0 für einen einzigen.</translation>
    </message>
    <message>
        <source>Depth of a last pass of its own.</source>
        <translation>Tiefe eines eigenen letzten Durchgangs.</translation>
    </message>
    <message>
        <source>How far paths lie apart, in radii of the tool; above 1 what stands between is cleaned up.</source>
        <translation>Wie weit Bahnen auseinander liegen, in Radien des Werkzeugs; über 1 wird geräumt, was dazwischen steht.</translation>
    </message>
    <message>
        <source>What stays for another operation or the file; less than 0 cuts into the line.</source>
        <translation>Was für einen anderen Arbeitsgang oder die Feile stehen bleibt; unter 0 schneidet es in die Linie.</translation>
    </message>
    <message>
        <source>What is left for a pass of its own at the wall, at full depth.</source>
        <translation>Was für einen eigenen Durchgang an der Wand in voller Tiefe bleibt.</translation>
    </message>
    <message>
        <source>Climb: the edge goes against the feed.</source>
        <translation>Gleichlauf: die Schneide geht gegen den Vorschub.</translation>
    </message>
    <message>
        <source>How the tool comes to its depth.</source>
        <translation>Wie das Werkzeug auf seine Tiefe kommt.</translation>
    </message>
    <message>
        <source>How the outline is come to: over the waste, never into a neighbour. A ramp has none.</source>
        <translation>Wie die Kontur angefahren wird: über den Abfall, nie in einen Nachbarn. Eine Rampe hat keine Anfahrt.</translation>
    </message>
    <message>
        <source>How far a closed outline is cut beyond its start.</source>
        <translation>Wie weit eine geschlossene Kontur über ihren Anfang hinaus geschnitten wird.</translation>
    </message>
    <message>
        <source>Loop: outer corners are left straight on, and come back to. Relief: inner ones are cut out, so that a square part goes in.</source>
        <translation>Schleife: Außenecken werden geradeaus verlassen und wieder angefahren. Freistich: Innenecken werden freigeschnitten, damit ein eckiges Teil hineingeht.</translation>
    </message>
    <message>
        <source>How many tabs each outline has.</source>
        <translation>Wie viele Stege jede Kontur hat.</translation>
    </message>
    <message>
        <source>Lines of neighbours that lie on each other are cut once or twice.</source>
        <translation>Linien von Nachbarn, die aufeinander liegen, werden ein- oder zweimal geschnitten.</translation>
    </message>
    <message>
        <source>How long the beam stands before it moves.</source>
        <translation>Wie lange der Strahl steht, bevor er sich bewegt.</translation>
    </message>
    <message>
        <source>How deep a peck is; 0 for none.</source>
        <translation>Wie tief ein Bohrhub ist; 0 für keinen.</translation>
    </message>
    <message>
        <source>{0}: {1} is out of all bounds.</source>
        <translation>{0}: {1} liegt außerhalb aller Grenzen.</translation>
    </message>
    <message>
        <source>climb</source>
        <translation>Gleichlauf</translation>
    </message>
    <message>
        <source>conventional</source>
        <translation>Gegenlauf</translation>
    </message>
    <message>
        <source>plunge</source>
        <translation>gerade</translation>
    </message>
    <message>
        <source>ramp</source>
        <translation>Rampe</translation>
    </message>
    <message>
        <source>helix</source>
        <translation>Wendel</translation>
    </message>
    <message>
        <source>round</source>
        <translation>rund</translation>
    </message>
    <message>
        <source>loop</source>
        <translation>Schleife</translation>
    </message>
    <message>
        <source>relief</source>
        <translation>Freistich</translation>
    </message>
    <message>
        <source>twice</source>
        <translation>zweimal</translation>
    </message>
    <message>
        <source>once</source>
        <translation>einmal</translation>
    </message>
    <message>
        <source>{0}. Empty: as the tool has it.</source>
        <translation>{0}. Leer: wie beim Werkzeug.</translation>
    </message>
    <message>
        <source>{0}: “{1}” is no number.</source>
        <translation>{0}: „{1}“ ist keine Zahl.</translation>
    </message>
    <message>
        <source>as the tool has it</source>
        <translation>wie beim Werkzeug</translation>
    </message>
    <message>
        <source>begin here</source>
        <translation>hier beginnen</translation>
    </message>
    <message>
        <source>take this tab away</source>
        <translation>diesen Steg wegnehmen</translation>
    </message>
    <message>
        <source>this tab here</source>
        <translation>dieser Steg hierher</translation>
    </message>
    <message>
        <source>never</source>
        <translation>nie</translation>
    </message>
    <message>
        <source>by half a turn: the grain stays</source>
        <translation>um eine halbe Drehung: die Faser bleibt</translation>
    </message>
    <message>
        <source>by quarters</source>
        <translation>in Vierteln</translation>
    </message>
    <message>
        <source>by eighths</source>
        <translation>in Achteln</translation>
    </message>
    <message>
        <source>How parts may be turned</source>
        <translation>Wie Teile gedreht werden dürfen</translation>
    </message>
    <message>
        <source>In boxes, one beside the other</source>
        <translation>In Kästen, einer neben dem anderen</translation>
    </message>
    <message>
        <source>Nest</source>
        <translation>Verschachteln</translation>
    </message>
    <message>
        <source>Lay all parts on sheets; each sheet becomes a sketch of its own</source>
        <translation>Alle Teile auf Tafeln legen; jede Tafel wird eine eigene Skizze</translation>
    </message>
    <message>
        <source>Size, mm</source>
        <translation>Größe, mm</translation>
    </message>
    <message>
        <source>Turned</source>
        <translation>Gedreht</translation>
    </message>
    <message>
        <source>{0}, {1:.1%} waste. The outline of the stock says which one is cut.</source>
        <translation>{0}, {1:.1%} Abfall. Der Umriss des Rohlings sagt, welche geschnitten wird.</translation>
    </message>
    <message>
        <source>A sheet has a size, and there is at least one copy of a part.</source>
        <translation>Eine Tafel hat eine Größe, und von einem Teil gibt es mindestens eine Kopie.</translation>
    </message>
    <message>
        <source>{0}: “{1}” is no number that can be.</source>
        <translation>{0}: „{1}“ ist keine Zahl, die sein kann.</translation>
    </message>
    <message>
        <source>margin</source>
        <translation>Rand</translation>
    </message>
    <message>
        <source>sheet</source>
        <translation>Tafel</translation>
    </message>
    <message>
        <source>sheets</source>
        <translation>Tafeln</translation>
    </message>
    <message>
        <source>Width of a sheet in mm</source>
        <translation>Breite einer Tafel in mm</translation>
    </message>
    <message>
        <source>Height of a sheet in mm</source>
        <translation>Höhe einer Tafel in mm</translation>
    </message>
    <message>
        <source>Copies of every part</source>
        <translation>Kopien jedes Teils</translation>
    </message>
    <message>
        <source>Gap between parts in mm</source>
        <translation>Abstand zwischen Teilen in mm</translation>
    </message>
    <message>
        <source>Margin of a sheet in mm</source>
        <translation>Rand einer Tafel in mm</translation>
    </message>
    <message>
        <source>Outline, by nesting</source>
        <translation>Kontur, nach Schachtelung</translation>
    </message>
    <message>
        <source>Outline</source>
        <translation>Kontur</translation>
    </message>
    <message>
        <source>Outside</source>
        <translation>Außen</translation>
    </message>
    <message>
        <source>Inside</source>
        <translation>Innen</translation>
    </message>
    <message>
        <source>Follow the line</source>
        <translation>Der Linie nach</translation>
    </message>
    <message>
        <source>Pocket</source>
        <translation>Tasche</translation>
    </message>
    <message>
        <source>Face</source>
        <translation>Plan</translation>
    </message>
    <message>
        <source>Drill</source>
        <translation>Bohren</translation>
    </message>
    <message>
        <source>Bore</source>
        <translation>Ausdrehen</translation>
    </message>
    <message>
        <source>Kind of the operation to be added</source>
        <translation>Art des Arbeitsgangs, der dazukommt</translation>
    </message>
    <message>
        <source>Add an operation of this kind</source>
        <translation>Einen Arbeitsgang dieser Art hinzufügen</translation>
    </message>
    <message>
        <source>Name of the operation</source>
        <translation>Name des Arbeitsgangs</translation>
    </message>
    <message>
        <source>Tool</source>
        <translation>Werkzeug</translation>
    </message>
    <message>
        <source>How</source>
        <translation>Wie</translation>
    </message>
    <message>
        <source>Operation to copy settings from</source>
        <translation>Arbeitsgang, dessen Einstellungen kopiert werden</translation>
    </message>
    <message>
        <source>A click on a path chooses its operation</source>
        <translation>Ein Klick auf eine Bahn wählt ihren Arbeitsgang</translation>
    </message>
    <message>
        <source>Give the chosen operations the settings of this one</source>
        <translation>Den gewählten Arbeitsgängen die Einstellungen von diesem geben</translation>
    </message>
    <message>
        <source>Use a set…</source>
        <translation>Einen Satz nehmen…</translation>
    </message>
    <message>
        <source>Operations and tools that were kept, in the place of those that are here</source>
        <translation>Behaltene Arbeitsgänge und Werkzeuge, anstelle derer, die hier sind</translation>
    </message>
    <message>
        <source>Keep as a set…</source>
        <translation>Als Satz behalten…</translation>
    </message>
    <message>
        <source>All operations with their tools, for this material and thickness</source>
        <translation>Alle Arbeitsgänge mit ihren Werkzeugen, für dieses Material und diese Dicke</translation>
    </message>
    <message>
        <source>Operations</source>
        <translation>Arbeitsgänge</translation>
    </message>
    <message>
        <source>On / off</source>
        <translation>An / aus</translation>
    </message>
    <message>
        <source>Leave the chosen operations out, or take them in again</source>
        <translation>Die gewählten Arbeitsgänge weglassen oder wieder hereinnehmen</translation>
    </message>
    <message>
        <source>Remove the chosen operations</source>
        <translation>Die gewählten Arbeitsgänge entfernen</translation>
    </message>
    <message>
        <source>Paths that are clicked…</source>
        <translation>Bahnen, die angeklickt werden…</translation>
    </message>
    <message>
        <source>Each path that is clicked: its operation gets the settings of this one</source>
        <translation>Jede Bahn, die angeklickt wird: ihr Arbeitsgang bekommt die Einstellungen von diesem</translation>
    </message>
    <message>
        <source>Paths in a box…</source>
        <translation>Bahnen in einem Kasten…</translation>
    </message>
    <message>
        <source>All operations that have a whole path in a box get the settings of this one</source>
        <translation>Alle Arbeitsgänge mit einer ganzen Bahn im Kasten bekommen die Einstellungen von diesem</translation>
    </message>
    <message>
        <source>Sets</source>
        <translation>Sätze</translation>
    </message>
    <message>
        <source>Up</source>
        <translation>Auf</translation>
    </message>
    <message>
        <source>Earlier in the list</source>
        <translation>Früher in der Liste</translation>
    </message>
    <message>
        <source>Down</source>
        <translation>Ab</translation>
    </message>
    <message>
        <source>Later in the list</source>
        <translation>Später in der Liste</translation>
    </message>
    <message>
        <source>No path of another operation is there.</source>
        <translation>Dort ist keine Bahn eines anderen Arbeitsgangs.</translation>
    </message>
    <message>
        <source>Name</source>
        <translation>Name</translation>
    </message>
    <message>
        <source>Settings of</source>
        <translation>Einstellungen von</translation>
    </message>
    <message>
        <source>Give to</source>
        <translation>Gib an</translation>
    </message>
    <message>
        <source>Operation</source>
        <translation>Arbeitsgang</translation>
    </message>
    <message>
        <source>Kind</source>
        <translation>Art</translation>
    </message>
    <message>
        <source>Items</source>
        <translation>Stück</translation>
    </message>
    <message>
        <source>Time</source>
        <translation>Zeit</translation>
    </message>
    <message>
        <source>“{0}” is the name of another operation.</source>
        <translation>„{0}“ heißt schon ein anderer Arbeitsgang.</translation>
    </message>
    <message>
        <source>An operation needs a name.</source>
        <translation>Ein Arbeitsgang braucht einen Namen.</translation>
    </message>
    <message>
        <source>{0} (off)</source>
        <translation>{0} (aus)</translation>
    </message>
    <message>
        <source>As few changes of tools as can be, then little travel</source>
        <translation>So wenige Werkzeugwechsel wie möglich, dann kurze Wege</translation>
    </message>
    <message>
        <source>One part after the other</source>
        <translation>Ein Teil nach dem anderen</translation>
    </message>
    <message>
        <source>The operations as they are listed</source>
        <translation>Die Arbeitsgänge in ihrer Reihenfolge</translation>
    </message>
    <message>
        <source>What goes first</source>
        <translation>Was zuerst kommt</translation>
    </message>
    <message>
        <source>Cuts in their order</source>
        <translation>Schnitte in ihrer Reihenfolge</translation>
    </message>
    <message>
        <source>Keep this order</source>
        <translation>Behalten</translation>
    </message>
    <message>
        <source>Whatever changes, the cuts stay in this order</source>
        <translation>Was sich auch ändert, die Schnitte bleiben in dieser Reihenfolge</translation>
    </message>
    <message>
        <source>Let it go</source>
        <translation>Loslassen</translation>
    </message>
    <message>
        <source>The order is found anew at every change</source>
        <translation>Die Reihenfolge wird bei jeder Änderung neu gesucht</translation>
    </message>
    <message>
        <source>This order is kept. </source>
        <translation>Diese Reihenfolge wird behalten. </translation>
    </message>
    <message>
        <source>{0:,.0f} mm of travel.</source>
        <translation>{0:,.0f} mm Wege.</translation>
    </message>
    <message>
        <source>What lies inside is cut before what holds it, whatever the rule.</source>
        <translation>Was innen liegt, wird vor dem geschnitten, was es hält, wie die Regel auch lautet.</translation>
    </message>
    <message>
        <source>Earlier</source>
        <translation>Früher</translation>
    </message>
    <message>
        <source>The chosen cut goes earlier; the order is kept then</source>
        <translation>Der gewählte Schnitt kommt früher; die Reihenfolge wird dann behalten</translation>
    </message>
    <message>
        <source>Later</source>
        <translation>Später</translation>
    </message>
    <message>
        <source>The chosen cut goes later; the order is kept then</source>
        <translation>Der gewählte Schnitt kommt später; die Reihenfolge wird dann behalten</translation>
    </message>
    <message>
        <source>Cut</source>
        <translation>Schnitt</translation>
    </message>
    <message>
        <source>What is cut, and how</source>
        <translation>Was geschnitten wird, und wie</translation>
    </message>
    <message>
        <source>Choose what is to be done and add it: nesting decides the side, holes go before outlines.</source>
        <translation>Wählen, was zu tun ist, und hinzufügen: die Schachtelung entscheidet die Seite, Löcher kommen vor Umrissen.</translation>
    </message>
    <message>
        <source>Cutting…</source>
        <translation>Es wird geschnitten…</translation>
    </message>
    <message>
        <source>{0} wrong with the program; see Run.</source>
        <translation>{0} am Programm falsch; siehe Lauf.</translation>
    </message>
    <message>
        <source>The unit of the drawing is in doubt, and so is the size of the part; see Measure.</source>
        <translation>Die Einheit der Zeichnung ist zweifelhaft und damit die Größe des Teils; siehe Maß.</translation>
    </message>
    <message>
        <source>✓ The program was played, and nothing is wrong with it.</source>
        <translation>✓ Das Programm wurde abgespielt, und nichts daran ist falsch.</translation>
    </message>
    <message>
        <source>Setup</source>
        <translation>Einrichten</translation>
    </message>
    <message>
        <source>Order</source>
        <translation>Reihenfolge</translation>
    </message>
    <message>
        <source>Setup sheet…</source>
        <translation>Einrichteblatt…</translation>
    </message>
    <message>
        <source>Stock, zero, tools, order and times on a page</source>
        <translation>Rohling, Nullpunkt, Werkzeuge, Reihenfolge und Zeiten auf einer Seite</translation>
    </message>
    <message>
        <source>Drawing…</source>
        <translation>Zeichnung…</translation>
    </message>
    <message>
        <source>The paths as SVG, DXF or PDF, for cutters that take drawings</source>
        <translation>Die Bahnen als SVG, DXF oder PDF, für Schneider, die Zeichnungen nehmen</translation>
    </message>
    <message>
        <source>all contours</source>
        <translation>alle Konturen</translation>
    </message>
    <message>
        <source>outermost</source>
        <translation>äußerste</translation>
    </message>
    <message>
        <source>holes</source>
        <translation>Löcher</translation>
    </message>
    <message>
        <source>parts in holes</source>
        <translation>Teile in Löchern</translation>
    </message>
    <message>
        <source>Of what</source>
        <translation>Wovon</translation>
    </message>
    <message>
        <source>Sketch</source>
        <translation>Skizze</translation>
    </message>
    <message>
        <source>Layer</source>
        <translation>Layer</translation>
    </message>
    <message>
        <source>Role</source>
        <translation>Rolle</translation>
    </message>
    <message>
        <source>Nesting</source>
        <translation>Schachtelung</translation>
    </message>
    <message>
        <source>{0} of the contours</source>
        <translation>{0} der Konturen</translation>
    </message>
    <message>
        <source>Smallest circle</source>
        <translation>Kleinster Kreis</translation>
    </message>
    <message>
        <source>Largest circle</source>
        <translation>Größter Kreis</translation>
    </message>
    <message>
        <source>{0}, diameter in mm</source>
        <translation>{0}, Durchmesser in mm</translation>
    </message>
    <message>
        <source>any</source>
        <translation>beliebig</translation>
    </message>
    <message>
        <source>Circles, mm</source>
        <translation>Kreise, mm</translation>
    </message>
    <message>
        <source>Add the selected</source>
        <translation>Ausgewählte dazu</translation>
    </message>
    <message>
        <source>What is selected on the drawing belongs to the operation, too</source>
        <translation>Was in der Zeichnung ausgewählt ist, gehört auch zum Arbeitsgang</translation>
    </message>
    <message>
        <source>Only the selected</source>
        <translation>Nur Ausgewählte</translation>
    </message>
    <message>
        <source>Nothing but what is selected on the drawing belongs to the operation</source>
        <translation>Nur was in der Zeichnung ausgewählt ist, gehört zum Arbeitsgang</translation>
    </message>
    <message>
        <source>{0} by hand</source>
        <translation>{0} von Hand</translation>
    </message>
    <message>
        <source>{0} left out</source>
        <translation>{0} weggelassen</translation>
    </message>
    <message>
        <source>to</source>
        <translation>bis</translation>
    </message>
    <message>
        <source>contour</source>
        <translation>Kontur</translation>
    </message>
    <message>
        <source>contours</source>
        <translation>Konturen</translation>
    </message>
    <message>
        <source>Other side</source>
        <translation>Andere Seite</translation>
    </message>
    <message>
        <source>The tool goes on the other side of this contour</source>
        <translation>Das Werkzeug geht auf der anderen Seite dieser Kontur</translation>
    </message>
    <message>
        <source>Start here…</source>
        <translation>Hier beginnen…</translation>
    </message>
    <message>
        <source>The next click says where this contour is begun</source>
        <translation>Der nächste Klick sagt, wo diese Kontur begonnen wird</translation>
    </message>
    <message>
        <source>Tab here…</source>
        <translation>Steg hier…</translation>
    </message>
    <message>
        <source>The next click puts one more tab on this contour</source>
        <translation>Der nächste Klick setzt einen weiteren Steg auf diese Kontur</translation>
    </message>
    <message>
        <source>As the others</source>
        <translation>Wie die anderen</translation>
    </message>
    <message>
        <source>Nothing is set by hand on this contour</source>
        <translation>An dieser Kontur ist nichts von Hand gesetzt</translation>
    </message>
    <message>
        <source>Leave out</source>
        <translation>Weglassen</translation>
    </message>
    <message>
        <source>This contour does not belong to the operation</source>
        <translation>Diese Kontur gehört nicht zum Arbeitsgang</translation>
    </message>
    <message>
        <source>{0} of {1}, {2}. By hand: {3}. Its start and its tabs can be dragged.</source>
        <translation>{0} von {1}, {2}. Von Hand: {3}. Anfang und Stege lassen sich ziehen.</translation>
    </message>
    <message>
        <source>Hole</source>
        <translation>Loch</translation>
    </message>
    <message>
        <source>nothing</source>
        <translation>nichts</translation>
    </message>
    <message>
        <source>the other side</source>
        <translation>die andere Seite</translation>
    </message>
    <message>
        <source>start</source>
        <translation>Anfang</translation>
    </message>
    <message>
        <source>tab</source>
        <translation>Steg</translation>
    </message>
    <message>
        <source>tabs</source>
        <translation>Stege</translation>
    </message>
    <message>
        <source>The stock in space</source>
        <translation>Der Rohling im Raum</translation>
    </message>
    <message>
        <source>Fit</source>
        <translation>Ganz</translation>
    </message>
    <message>
        <source>Show all of the stock</source>
        <translation>Den ganzen Rohling zeigen</translation>
    </message>
    <message>
        <source>Plan</source>
        <translation>Draufsicht</translation>
    </message>
    <message>
        <source>The paths on the drawing</source>
        <translation>Die Bahnen in der Zeichnung</translation>
    </message>
    <message>
        <source>Drag or arrow keys turn the stock, the middle button moves it, the wheel comes nearer.</source>
        <translation>Ziehen oder Pfeiltasten drehen den Rohling, die mittlere Taste verschiebt ihn, das Rad kommt näher.</translation>
    </message>
    <message>
        <source>What the bench machine found</source>
        <translation>Befunde der Prüfmaschine</translation>
    </message>
    <message>
        <source>Time in the program</source>
        <translation>Zeit im Programm</translation>
    </message>
    <message>
        <source>Play</source>
        <translation>Abspielen</translation>
    </message>
    <message>
        <source>Play the program, or stand still (the bench machine's own time)</source>
        <translation>Das Programm abspielen oder anhalten (in der Zeit der Prüfmaschine)</translation>
    </message>
    <message>
        <source>To the start</source>
        <translation>Zum Anfang</translation>
    </message>
    <message>
        <source>Speed of playing</source>
        <translation>Geschwindigkeit beim Abspielen</translation>
    </message>
    <message>
        <source>In space</source>
        <translation>Im Raum</translation>
    </message>
    <message>
        <source>The stock seen at a slant, in the place of the drawing</source>
        <translation>Der Rohling schräg gesehen, anstelle der Zeichnung</translation>
    </message>
    <message>
        <source>What lies outside of the parts is left out of the picture of the stock</source>
        <translation>Was außerhalb der Teile liegt, fehlt im Bild des Rohlings</translation>
    </message>
    <message>
        <source>Off by at most {0} mm</source>
        <translation>Höchstens {0} mm daneben</translation>
    </message>
    <message>
        <source>Exact to 0.000001 mm where the tool reaches</source>
        <translation>Auf 0,000001 mm genau, wo das Werkzeug hinkommt</translation>
    </message>
    <message>
        <source>{0}; {1} on the {2}.</source>
        <translation>{0}; {1} auf {2}.</translation>
    </message>
    <message>
        <source>{0} of {1}   {2}{3}
X {4:.3f} Y {5:.3f}{6}</source>
        <translation>{0} von {1}   {2}{3}
X {4:.3f} Y {5:.3f}{6}</translation>
    </message>
    <message>
        <source>Stock, by depth</source>
        <translation>Rohling, nach Tiefe</translation>
    </message>
    <message>
        <source>Paths</source>
        <translation>Bahnen</translation>
    </message>
    <message>
        <source>Part alone</source>
        <translation>Nur das Teil</translation>
    </message>
    <message>
        <source>{0} wrong: do not run it.</source>
        <translation>{0} falsch: nicht laufen lassen.</translation>
    </message>
    <message>
        <source>✓ Nothing is wrong with the program.</source>
        <translation>✓ Am Programm ist nichts falsch.</translation>
    </message>
    <message>
        <source>{0} mm² stay where the tool does not reach.</source>
        <translation>{0} mm² bleiben stehen, wo das Werkzeug nicht hinkommt.</translation>
    </message>
    <message>
        <source>{0} more are not listed.</source>
        <translation>{0} weitere sind nicht aufgeführt.</translation>
    </message>
    <message>
        <source>feed {0:g}</source>
        <translation>Vorschub {0:g}</translation>
    </message>
    <message>
        <source>What</source>
        <translation>Was</translation>
    </message>
    <message>
        <source>Pause</source>
        <translation>Pause</translation>
    </message>
    <message>
        <source>lower left of the stock</source>
        <translation>unten links am Rohling</translation>
    </message>
    <message>
        <source>lower right of the stock</source>
        <translation>unten rechts am Rohling</translation>
    </message>
    <message>
        <source>upper left of the stock</source>
        <translation>oben links am Rohling</translation>
    </message>
    <message>
        <source>upper right of the stock</source>
        <translation>oben rechts am Rohling</translation>
    </message>
    <message>
        <source>middle of the stock</source>
        <translation>Mitte des Rohlings</translation>
    </message>
    <message>
        <source>origin of the drawing</source>
        <translation>Ursprung der Zeichnung</translation>
    </message>
    <message>
        <source>a point that is picked</source>
        <translation>ein gewählter Punkt</translation>
    </message>
    <message>
        <source>Machine</source>
        <translation>Maschine</translation>
    </message>
    <message>
        <source>From a file…</source>
        <translation>Aus einer Datei…</translation>
    </message>
    <message>
        <source>A machine that is described in a .toml file</source>
        <translation>Eine Maschine, die in einer .toml-Datei beschrieben ist</translation>
    </message>
    <message>
        <source>Clamps and places to keep out of</source>
        <translation>Spanner und Stellen, die frei bleiben</translation>
    </message>
    <message>
        <source>Height of the clamp over the stock in mm</source>
        <translation>Höhe des Spanners über dem Rohling in mm</translation>
    </message>
    <message>
        <source>Material</source>
        <translation>Material</translation>
    </message>
    <message>
        <source>round the parts</source>
        <translation>um die Teile</translation>
    </message>
    <message>
        <source>3, or a formula</source>
        <translation>3, oder eine Formel</translation>
    </message>
    <message>
        <source>Stock</source>
        <translation>Rohling</translation>
    </message>
    <message>
        <source>Keep out of</source>
        <translation>Frei bleibt</translation>
    </message>
    <message>
        <source>Draw a clamp…</source>
        <translation>Einen Spanner zeichnen…</translation>
    </message>
    <message>
        <source>The next drag on the drawing is a clamp</source>
        <translation>Der nächste Zug in der Zeichnung ist ein Spanner</translation>
    </message>
    <message>
        <source>Remove the chosen clamp</source>
        <translation>Den gewählten Spanner entfernen</translation>
    </message>
    <message>
        <source>Sheets</source>
        <translation>Blätter</translation>
    </message>
    <message>
        <source>Tools</source>
        <translation>Werkzeuge</translation>
    </message>
    <message>
        <source>Take tools from a table…</source>
        <translation>Werkzeuge aus einer Tabelle…</translation>
    </message>
    <message>
        <source>Tools from a .csv file</source>
        <translation>Werkzeuge aus einer .csv-Datei</translation>
    </message>
    <message>
        <source>Write them…</source>
        <translation>Schreiben…</translation>
    </message>
    <message>
        <source>All tools as a .csv file</source>
        <translation>Alle Werkzeuge als .csv-Datei</translation>
    </message>
    <message>
        <source>Thickness of the stock</source>
        <translation>Dicke des Rohlings</translation>
    </message>
    <message>
        <source>Margin round the parts in mm</source>
        <translation>Rand um die Teile in mm</translation>
    </message>
    <message>
        <source>Width of the stock in mm</source>
        <translation>Breite des Rohlings in mm</translation>
    </message>
    <message>
        <source>Height of the stock in mm</source>
        <translation>Höhe des Rohlings in mm</translation>
    </message>
    <message>
        <source>top of the stock</source>
        <translation>Oberseite des Rohlings</translation>
    </message>
    <message>
        <source>bottom of the stock</source>
        <translation>Unterseite des Rohlings</translation>
    </message>
    <message>
        <source>Thickness</source>
        <translation>Dicke</translation>
    </message>
    <message>
        <source>Margin, mm</source>
        <translation>Rand, mm</translation>
    </message>
    <message>
        <source>Sketch that is the stock</source>
        <translation>Skizze, die der Rohling ist</translation>
    </message>
    <message>
        <source>x, y are 0 at</source>
        <translation>x, y sind 0 bei</translation>
    </message>
    <message>
        <source>Where the program's x and y are 0</source>
        <translation>Wo x und y des Programms 0 sind</translation>
    </message>
    <message>
        <source>z is 0 at</source>
        <translation>z ist 0 bei</translation>
    </message>
    <message>
        <source>Where the program's z is 0</source>
        <translation>Wo z des Programms 0 ist</translation>
    </message>
    <message>
        <source>a box</source>
        <translation>ein Kasten</translation>
    </message>
    <message>
        <source>{0}: “{1}” is no length.</source>
        <translation>{0}: „{1}“ ist keine Länge.</translation>
    </message>
    <message>
        <source>Where, mm</source>
        <translation>Wo, mm</translation>
    </message>
    <message>
        <source>High, mm</source>
        <translation>Hoch, mm</translation>
    </message>
    <message>
        <source>High</source>
        <translation>Hoch</translation>
    </message>
    <message>
        <source>Outlines, pockets and holes become a program, which is played and judged before it runs.</source>
        <translation>Umrisse, Taschen und Löcher werden ein Programm, das abgespielt und beurteilt wird, bevor es läuft.</translation>
    </message>
    <message>
        <source>{0}. Escape gives up.</source>
        <translation>{0}. Esc gibt auf.</translation>
    </message>
    <message>
        <source>The program's zero</source>
        <translation>Der Nullpunkt des Programms</translation>
    </message>
    <message>
        <source>Begin here</source>
        <translation>Hier beginnen</translation>
    </message>
    <message>
        <source>A tab here</source>
        <translation>Ein Steg hier</translation>
    </message>
    <message>
        <source>Drag a box where the clamp stands. Escape gives up.</source>
        <translation>Einen Kasten ziehen, wo der Spanner steht. Esc gibt auf.</translation>
    </message>
    <message>
        <source>Settings to this path</source>
        <translation>Einstellungen für diese Bahn</translation>
    </message>
    <message>
        <source>Drag a box round whole paths: their operations get the settings. Escape gives up.</source>
        <translation>Einen Kasten um ganze Bahnen ziehen: ihre Arbeitsgänge bekommen die Einstellungen. Esc gibt auf.</translation>
    </message>
    <message>
        <source>Nothing is selected on the drawing.</source>
        <translation>In der Zeichnung ist nichts ausgewählt.</translation>
    </message>
    <message>
        <source>Number</source>
        <translation>Nummer</translation>
    </message>
    <message>
        <source>Diameter, mm</source>
        <translation>Durchmesser, mm</translation>
    </message>
    <message>
        <source>Kerf, mm</source>
        <translation>Schnittfuge, mm</translation>
    </message>
    <message>
        <source>Corner radius, mm</source>
        <translation>Eckenradius, mm</translation>
    </message>
    <message>
        <source>Angle of the tip, °</source>
        <translation>Spitzenwinkel, °</translation>
    </message>
    <message>
        <source>Flutes</source>
        <translation>Schneiden</translation>
    </message>
    <message>
        <source>Length of the flutes, mm</source>
        <translation>Länge der Schneiden, mm</translation>
    </message>
    <message>
        <source>Feed, mm/min</source>
        <translation>Vorschub, mm/min</translation>
    </message>
    <message>
        <source>Plunge feed, mm/min</source>
        <translation>Eintauchvorschub, mm/min</translation>
    </message>
    <message>
        <source>Speed, 1/min</source>
        <translation>Drehzahl, 1/min</translation>
    </message>
    <message>
        <source>Step down, mm</source>
        <translation>Zustellung, mm</translation>
    </message>
    <message>
        <source>Step over, radii</source>
        <translation>Bahnabstand, Radien</translation>
    </message>
    <message>
        <source>Pierce, s</source>
        <translation>Einstechen, s</translation>
    </message>
    <message>
        <source>For material</source>
        <translation>Für Material</translation>
    </message>
    <message>
        <source>Tools of the job and the library</source>
        <translation>Werkzeuge des Auftrags und der Bibliothek</translation>
    </message>
    <message>
        <source>Kind of the tool</source>
        <translation>Art des Werkzeugs</translation>
    </message>
    <message>
        <source>Can go straight down</source>
        <translation>Kann gerade eintauchen</translation>
    </message>
    <message>
        <source>Name of a new tool</source>
        <translation>Name eines neuen Werkzeugs</translation>
    </message>
    <message>
        <source>name of a new tool</source>
        <translation>Name eines neuen Werkzeugs</translation>
    </message>
    <message>
        <source>Add a copy</source>
        <translation>Eine Kopie dazu</translation>
    </message>
    <message>
        <source>A new tool with the values of the chosen one</source>
        <translation>Ein neues Werkzeug mit den Werten des gewählten</translation>
    </message>
    <message>
        <source>{0} of the tool</source>
        <translation>{0} des Werkzeugs</translation>
    </message>
    <message>
        <source>Held</source>
        <translation>Liegt</translation>
    </message>
    <message>
        <source>Choose a tool to be copied.</source>
        <translation>Ein Werkzeug wählen, das kopiert wird.</translation>
    </message>
    <message>
        <source>A new tool needs a name.</source>
        <translation>Ein neues Werkzeug braucht einen Namen.</translation>
    </message>
    <message>
        <source>There is a tool called “{0}” already.</source>
        <translation>Ein Werkzeug „{0}“ gibt es schon.</translation>
    </message>
    <message>
        <source>in the job</source>
        <translation>im Auftrag</translation>
    </message>
    <message>
        <source>Read off what holds</source>
        <translation>Ablesen, was gilt</translation>
    </message>
    <message>
        <source>Bind the dimensions of the drawing</source>
        <translation>Die Maße der Zeichnung binden</translation>
    </message>
    <message>
        <source>Add the missing dimensions</source>
        <translation>Die fehlenden Maße hinzufügen</translation>
    </message>
    <message>
        <source>Draw a dimension</source>
        <translation>Ein Maß zeichnen</translation>
    </message>
    <message>
        <source>Drag points and dimensions</source>
        <translation>Punkte und Maße ziehen</translation>
    </message>
    <message>
        <source>Show what holds on the drawing</source>
        <translation>In der Zeichnung zeigen, was gilt</translation>
    </message>
    <message>
        <source>measure {0}</source>
        <translation>{0} messen</translation>
    </message>
    <message>
        <source>What holds in the chosen sketch</source>
        <translation>Was in der gewählten Skizze gilt</translation>
    </message>
    <message>
        <source>Let go</source>
        <translation>Loslassen</translation>
    </message>
    <message>
        <source>Let the chosen constraint go</source>
        <translation>Die gewählte Bedingung loslassen</translation>
    </message>
    <message>
        <source>Switch off</source>
        <translation>Ausschalten</translation>
    </message>
    <message>
        <source>Let the chosen constraint rest, or hold again</source>
        <translation>Die gewählte Bedingung ruhen oder wieder gelten lassen</translation>
    </message>
    <message>
        <source>What the selected curves can have</source>
        <translation>Was für die ausgewählten Kurven gelten kann</translation>
    </message>
    <message>
        <source>Add this to the selected curves</source>
        <translation>Dies für die ausgewählten Kurven hinzufügen</translation>
    </message>
    <message>
        <source>What holds</source>
        <translation>Was gilt</translation>
    </message>
    <message>
        <source>Switch on</source>
        <translation>Einschalten</translation>
    </message>
    <message>
        <source>Constraint, and of what</source>
        <translation>Bedingung, und wovon</translation>
    </message>
    <message>
        <source>Select 1 to 3 curves to add more</source>
        <translation>1 bis 3 Kurven auswählen, um mehr hinzuzufügen</translation>
    </message>
    <message>
        <source>Click a second thing</source>
        <translation>Ein zweites anklicken</translation>
    </message>
    <message>
        <source>Click where it goes</source>
        <translation>Dorthin klicken, wo es stehen soll</translation>
    </message>
    <message>
        <source>Click where it goes, or a second thing</source>
        <translation>Dorthin klicken, wo es stehen soll, oder ein zweites anklicken</translation>
    </message>
    <message>
        <source>Click what is to be measured</source>
        <translation>Anklicken, was gemessen werden soll</translation>
    </message>
    <message>
        <source>Dimensions and their values</source>
        <translation>Maße und ihre Werte</translation>
    </message>
    <message>
        <source>Name of the chosen dimension</source>
        <translation>Name des gewählten Maßes</translation>
    </message>
    <message>
        <source>The name by which formulas call it; Return gives it another, wherever it is used.</source>
        <translation>Der Name, unter dem Formeln es nennen; Eingabe gibt ihm überall einen anderen.</translation>
    </message>
    <message>
        <source>Value of the chosen dimension</source>
        <translation>Wert des gewählten Maßes</translation>
    </message>
    <message>
        <source>Set</source>
        <translation>Setzen</translation>
    </message>
    <message>
        <source>Give the chosen dimension this value</source>
        <translation>Dem gewählten Maß diesen Wert geben</translation>
    </message>
    <message>
        <source>Bind the dimensions</source>
        <translation>Maße binden</translation>
    </message>
    <message>
        <source>Bind the dimensions of the drawing to what they measure</source>
        <translation>Die Maße der Zeichnung an das binden, was sie messen</translation>
    </message>
    <message>
        <source>Other end</source>
        <translation>Anderes Ende</translation>
    </message>
    <message>
        <source>Let the other end of the chosen dimension stay when it changes</source>
        <translation>Das andere Ende des gewählten Maßes stehen lassen, wenn es sich ändert</translation>
    </message>
    <message>
        <source>As written</source>
        <translation>Geschrieben</translation>
    </message>
    <message>
        <source>Take the value that the drawing writes</source>
        <translation>Den Wert nehmen, den die Zeichnung schreibt</translation>
    </message>
    <message>
        <source>As drawn</source>
        <translation>Gezeichnet</translation>
    </message>
    <message>
        <source>Take the value that is drawn</source>
        <translation>Den Wert nehmen, der gezeichnet ist</translation>
    </message>
    <message>
        <source>As text</source>
        <translation>Text</translation>
    </message>
    <message>
        <source>Leave this dimension as text</source>
        <translation>Dieses Maß als Text belassen</translation>
    </message>
    <message>
        <source>, says {0}</source>
        <translation>, sagt {0}</translation>
    </message>
    <message>
        <source>says {0}</source>
        <translation>sagt {0}</translation>
    </message>
    <message>
        <source>Of</source>
        <translation>Von</translation>
    </message>
    <message>
        <source>Use</source>
        <translation>Nutzung</translation>
    </message>
    <message>
        <source>Dimensions</source>
        <translation>Maße</translation>
    </message>
    <message>
        <source>Drag an end or a centre of the chosen sketch, or the text of a dimension; Shift: both sides.</source>
        <translation>Ein Ende oder eine Mitte der gewählten Skizze ziehen, oder den Text eines Maßes; Umschalt: beide Seiten.</translation>
    </message>
    <message>
        <source>What is free is still being counted; ask again in a moment.</source>
        <translation>Noch wird gezählt, was frei ist; gleich noch einmal fragen.</translation>
    </message>
    <message>
        <source>Nothing is missing.</source>
        <translation>Nichts fehlt.</translation>
    </message>
    <message>
        <source>Choose a sketch that is neither locked nor too large.</source>
        <translation>Eine Skizze wählen, die weder gesperrt noch zu groß ist.</translation>
    </message>
    <message>
        <source>“{0}” is held whole; let it move first.</source>
        <translation>„{0}“ wird als Ganzes gehalten; zuerst freigeben.</translation>
    </message>
    <message>
        <source>the {0}, both sides alike</source>
        <translation>{0}, beide Seiten gleich</translation>
    </message>
    <message>
        <source>the {0}</source>
        <translation>{0}</translation>
    </message>
    <message>
        <source>{0} of {1} parts can move, in so many ways: {2}{3}</source>
        <translation>{0} von {1} Teilen können sich bewegen, auf so viele Arten: {2}{3}</translation>
    </message>
    <message>
        <source>held whole</source>
        <translation>ganz gehalten</translation>
    </message>
    <message>
        <source>too large</source>
        <translation>zu groß</translation>
    </message>
    <message>
        <source>✓ defined</source>
        <translation>✓ bestimmt</translation>
    </message>
    <message>
        <source> and {0} more</source>
        <translation> und {0} weitere</translation>
    </message>
    <message>
        <source>How far an end may be off what is read off</source>
        <translation>Wie weit ein Ende von dem abweichen darf, was abgelesen wird</translation>
    </message>
    <message>
        <source>How far a line may be off its direction, in degrees</source>
        <translation>Wie weit eine Linie von ihrer Richtung abweichen darf, in Grad</translation>
    </message>
    <message>
        <source>Look first</source>
        <translation>Erst ansehen</translation>
    </message>
    <message>
        <source>See what would be read off, and how far anything would move</source>
        <translation>Sehen, was abgelesen würde und wie weit sich etwas bewegen würde</translation>
    </message>
    <message>
        <source>Sketches and what is free in them</source>
        <translation>Skizzen und was darin frei ist</translation>
    </message>
    <message>
        <source>Propose</source>
        <translation>Vorschlagen</translation>
    </message>
    <message>
        <source>Show the missing dimensions faded on the drawing; a click there adds one</source>
        <translation>Die fehlenden Maße blass in der Zeichnung zeigen; ein Klick dort fügt eines hinzu</translation>
    </message>
    <message>
        <source>Counting what is free…</source>
        <translation>Es wird gezählt, was frei ist…</translation>
    </message>
    <message>
        <source>sketch</source>
        <translation>Skizze</translation>
    </message>
    <message>
        <source>sketches</source>
        <translation>Skizzen</translation>
    </message>
    <message>
        <source>Gone: {0}</source>
        <translation>Fort: {0}</translation>
    </message>
    <message>
        <source>Add the missing</source>
        <translation>Fehlende dazu</translation>
    </message>
    <message>
        <source>Hold whole</source>
        <translation>Ganz halten</translation>
    </message>
    <message>
        <source>Sketches</source>
        <translation>Skizzen</translation>
    </message>
    <message>
        <source>{0} of freedom left in {1}.</source>
        <translation>{0} Freiheit übrig in {1}.</translation>
    </message>
    <message>
        <source>{0} too large to count what is free.</source>
        <translation>{0} zu groß, um zu zählen, was frei ist.</translation>
    </message>
    <message>
        <source>✓ Fully defined.</source>
        <translation>✓ Ganz bestimmt.</translation>
    </message>
    <message>
        <source>{0} written otherwise than drawn: choose.</source>
        <translation>{0} anders geschrieben als gezeichnet: bitte wählen.</translation>
    </message>
    <message>
        <source>Let it move</source>
        <translation>Freigeben</translation>
    </message>
    <message>
        <source>Add what is missing: {0}</source>
        <translation>Fehlende dazu: {0}</translation>
    </message>
    <message>
        <source>Too large to tell what is missing</source>
        <translation>Zu groß, um zu sagen, was fehlt</translation>
    </message>
    <message>
        <source>Too large to tell what is missing.</source>
        <translation>Zu groß, um zu sagen, was fehlt.</translation>
    </message>
    <message>
        <source>Nothing is missing</source>
        <translation>Nichts fehlt</translation>
    </message>
    <message>
        <source>Within mm</source>
        <translation>Auf mm</translation>
    </message>
    <message>
        <source>and degrees</source>
        <translation>und Grad</translation>
    </message>
    <message>
        <source>Constraints</source>
        <translation>Bedingungen</translation>
    </message>
    <message>
        <source>Free</source>
        <translation>Frei</translation>
    </message>
    <message>
        <source>degree</source>
        <translation>Grad</translation>
    </message>
    <message>
        <source>degrees</source>
        <translation>Grade</translation>
    </message>
    <message>
        <source>dimension</source>
        <translation>Maß</translation>
    </message>
    <message>
        <source>dimensions</source>
        <translation>Maße</translation>
    </message>
    <message>
        <source>Parameters of your own</source>
        <translation>Eigene Parameter</translation>
    </message>
    <message>
        <source>A parameter and what it is</source>
        <translation>Ein Parameter und was er ist</translation>
    </message>
    <message>
        <source>width = 4in + 2mm</source>
        <translation>Breite = 4in + 2mm</translation>
    </message>
    <message>
        <source>A note on the parameter</source>
        <translation>Eine Notiz zum Parameter</translation>
    </message>
    <message>
        <source>a note</source>
        <translation>eine Notiz</translation>
    </message>
    <message>
        <source>Give this parameter its value</source>
        <translation>Diesem Parameter seinen Wert geben</translation>
    </message>
    <message>
        <source>Drop</source>
        <translation>Fallen lassen</translation>
    </message>
    <message>
        <source>Take the chosen parameter away</source>
        <translation>Den gewählten Parameter wegnehmen</translation>
    </message>
    <message>
        <source>Parameters</source>
        <translation>Parameter</translation>
    </message>
    <message>
        <source>Type a name and what it is, such as width = 4in.</source>
        <translation>Einen Namen tippen und was er ist, etwa Breite = 4in.</translation>
    </message>
    <message>
        <source>Is</source>
        <translation>Ist</translation>
    </message>
    <message>
        <source>Note</source>
        <translation>Notiz</translation>
    </message>
    <message>
        <source>Writing the variants</source>
        <translation>Die Varianten werden geschrieben</translation>
    </message>
    <message>
        <source>Use variant {0}</source>
        <translation>Variante {0} nehmen</translation>
    </message>
    <message>
        <source>{0} of {1} variants were written to {2}.</source>
        <translation>{0} von {1} Varianten wurden nach {2} geschrieben.</translation>
    </message>
    <message>
        <source>{0} cannot be opened: {1}.</source>
        <translation>{0} lässt sich nicht öffnen: {1}.</translation>
    </message>
    <message>
        <source>{0} cannot be written: {1}.</source>
        <translation>{0} lässt sich nicht schreiben: {1}.</translation>
    </message>
    <message>
        <source>Read off what holds and type a value: the part follows, and what was level stays level.</source>
        <translation>Ablesen, was gilt, und einen Wert tippen: das Teil folgt, und was waagrecht war, bleibt waagrecht.</translation>
    </message>
    <message>
        <source>Define</source>
        <translation>Festlegen</translation>
    </message>
    <message>
        <source>{0} As dashed; nothing would move more than {1}.</source>
        <translation>{0} Wie gestrichelt; nichts würde sich um mehr als {1} bewegen.</translation>
    </message>
    <message>
        <source>Variants, and what they set</source>
        <translation>Varianten und was sie setzen</translation>
    </message>
    <message>
        <source>Open a table…</source>
        <translation>Eine Tabelle öffnen…</translation>
    </message>
    <message>
        <source>Take the variants from a table (CSV): a row each, with its name first</source>
        <translation>Die Varianten aus einer Tabelle nehmen (CSV): je eine Zeile, mit dem Namen zuerst</translation>
    </message>
    <message>
        <source>Save…</source>
        <translation>Sichern…</translation>
    </message>
    <message>
        <source>Save the variants as a table (CSV)</source>
        <translation>Die Varianten als Tabelle sichern (CSV)</translation>
    </message>
    <message>
        <source>Give the job the values of the chosen variant</source>
        <translation>Dem Auftrag die Werte der gewählten Variante geben</translation>
    </message>
    <message>
        <source>Write all…</source>
        <translation>Alle schreiben…</translation>
    </message>
    <message>
        <source>Write the profiles of every variant to a folder</source>
        <translation>Die Konturen jeder Variante in einen Ordner schreiben</translation>
    </message>
    <message>
        <source>Variants</source>
        <translation>Varianten</translation>
    </message>
    <message>
        <source>Variant</source>
        <translation>Variante</translation>
    </message>
    <message>
        <source>PDF (*.pdf);;SVG (*.svg);;DXF (*.dxf);;PNG (*.png)</source>
        <translation>PDF (*.pdf);;SVG (*.svg);;DXF (*.dxf);;PNG (*.png)</translation>
    </message>
    <message>
        <source>Write</source>
        <translation>Schreiben</translation>
    </message>
    <message>
        <source>Write the package</source>
        <translation>Das Paket schreiben</translation>
    </message>
    <message>
        <source>Packages (*.zip)</source>
        <translation>Pakete (*.zip)</translation>
    </message>
    <message>
        <source>Copying</source>
        <translation>Es wird kopiert</translation>
    </message>
    <message>
        <source>Getting the sheets ready</source>
        <translation>Die Blätter werden vorbereitet</translation>
    </message>
    <message>
        <source>Deliver profiles…</source>
        <translation>Konturen ausgeben…</translation>
    </message>
    <message>
        <source>Hand over a package…</source>
        <translation>Ein Paket übergeben…</translation>
    </message>
    <message>
        <source>The same package again</source>
        <translation>Dasselbe Paket noch einmal</translation>
    </message>
    <message>
        <source>Print the sheets…</source>
        <translation>Die Blätter drucken…</translation>
    </message>
    <message>
        <source>Write all sheets…</source>
        <translation>Alle Blätter schreiben…</translation>
    </message>
    <message>
        <source>Copy the profiles as a picture</source>
        <translation>Die Konturen als Bild kopieren</translation>
    </message>
    <message>
        <source>file</source>
        <translation>Datei</translation>
    </message>
    <message>
        <source>files</source>
        <translation>Dateien</translation>
    </message>
    <message>
        <source>Copied the profiles, as SVG and as PNG.</source>
        <translation>Die Konturen wurden als SVG und als PNG kopiert.</translation>
    </message>
    <message>
        <source>Wrote {0} with {1}.</source>
        <translation>{0} mit {1} geschrieben.</translation>
    </message>
    <message>
        <source>as layers of their own</source>
        <translation>als eigene Layer</translation>
    </message>
    <message>
        <source>as data of the contours</source>
        <translation>als Daten der Konturen</translation>
    </message>
    <message>
        <source>not at all</source>
        <translation>gar nicht</translation>
    </message>
    <message>
        <source>in colour</source>
        <translation>in Farbe</translation>
    </message>
    <message>
        <source>in grey</source>
        <translation>in Grau</translation>
    </message>
    <message>
        <source>in black</source>
        <translation>in Schwarz</translation>
    </message>
    <message>
        <source>{0} would be written.</source>
        <translation>{0} würden geschrieben.</translation>
    </message>
    <message>
        <source>as received</source>
        <translation>wie erhalten</translation>
    </message>
    <message>
        <source>A font file such as isocp.shx or arial.ttf, for all texts and dimensions</source>
        <translation>Eine Schriftdatei wie isocp.shx oder arial.ttf, für alle Texte und Maße</translation>
    </message>
    <message>
        <source>Construction sketches go out, too</source>
        <translation>Auch Hilfsskizzen</translation>
    </message>
    <message>
        <source>Dimensions, texts and hatches go out, too</source>
        <translation>Auch Maße, Texte, Schraffuren</translation>
    </message>
    <message>
        <source>As true dimensions and texts of the DXF</source>
        <translation>Als echte Maße und Texte der DXF</translation>
    </message>
    <message>
        <source>For archives (PDF/A-2b)</source>
        <translation>Für Archive (PDF/A-2b)</translation>
    </message>
    <message>
        <source>A file for each colour</source>
        <translation>Eine Datei je Farbe</translation>
    </message>
    <message>
        <source>What goes out</source>
        <translation>Was hinausgeht</translation>
    </message>
    <message>
        <source>Write the file…</source>
        <translation>Die Datei schreiben…</translation>
    </message>
    <message>
        <source> {0} can still be fixed; see Mend.</source>
        <translation> {0} lassen sich noch beheben; siehe Heilung.</translation>
    </message>
    <message>
        <source>The unit is in doubt; see Measure. {0}</source>
        <translation>Die Einheit ist zweifelhaft; siehe Maß. {0}</translation>
    </message>
    <message>
        <source>Format</source>
        <translation>Format</translation>
    </message>
    <message>
        <source>Unit of the file</source>
        <translation>Einheit der Datei</translation>
    </message>
    <message>
        <source>Roles</source>
        <translation>Rollen</translation>
    </message>
    <message>
        <source>How roles go out</source>
        <translation>Wie Rollen hinausgehen</translation>
    </message>
    <message>
        <source>Ink</source>
        <translation>Farbe</translation>
    </message>
    <message>
        <source>Ink of the file</source>
        <translation>Farbe der Datei</translation>
    </message>
    <message>
        <source>Dots to the inch</source>
        <translation>Punkte je Zoll</translation>
    </message>
    <message>
        <source>Font of texts</source>
        <translation>Schrift der Texte</translation>
    </message>
    <message>
        <source>Overall size</source>
        <translation>Gesamtgröße</translation>
    </message>
    <message>
        <source>Profiles</source>
        <translation>Konturen</translation>
    </message>
    <message>
        <source>Holes</source>
        <translation>Löcher</translation>
    </message>
    <message>
        <source>Open</source>
        <translation>Offen</translation>
    </message>
    <message>
        <source>Dots to the inch: “{0}” is no number from {1:g} to {2:g}.</source>
        <translation>Punkte je Zoll: „{0}“ ist keine Zahl von {1:g} bis {2:g}.</translation>
    </message>
    <message>
        <source>Body</source>
        <translation>Körper</translation>
    </message>
    <message>
        <source>Volume, mm³</source>
        <translation>Volumen, mm³</translation>
    </message>
    <message>
        <source>Mass, kg</source>
        <translation>Masse, kg</translation>
    </message>
    <message>
        <source>There is no body: raise a region in Form, or show the bodies.</source>
        <translation>Es gibt keinen Körper: in Formung eine Fläche heben oder die Körper zeigen.</translation>
    </message>
    <message>
        <source>Making the table…</source>
        <translation>Die Tabelle wird gemacht…</translation>
    </message>
    <message>
        <source>There is nothing for a table of {0}.</source>
        <translation>Für eine Tabelle dieser Art ({0}) gibt es nichts.</translation>
    </message>
    <message>
        <source>finding</source>
        <translation>Befund</translation>
    </message>
    <message>
        <source>findings</source>
        <translation>Befunde</translation>
    </message>
    <message>
        <source>Wrote {0} to {1}.</source>
        <translation>{0} nach {1} geschrieben.</translation>
    </message>
    <message>
        <source>body</source>
        <translation>Körper</translation>
    </message>
    <message>
        <source>bodies</source>
        <translation>Körper</translation>
    </message>
    <message>
        <source>row</source>
        <translation>Zeile</translation>
    </message>
    <message>
        <source>rows</source>
        <translation>Zeilen</translation>
    </message>
    <message>
        <source>DXF of the profiles</source>
        <translation>DXF der Konturen</translation>
    </message>
    <message>
        <source>SVG of the profiles</source>
        <translation>SVG der Konturen</translation>
    </message>
    <message>
        <source>PDF of the profiles</source>
        <translation>PDF der Konturen</translation>
    </message>
    <message>
        <source>STEP of the bodies</source>
        <translation>STEP der Körper</translation>
    </message>
    <message>
        <source>STL of the bodies</source>
        <translation>STL der Körper</translation>
    </message>
    <message>
        <source>3MF of the bodies</source>
        <translation>3MF der Körper</translation>
    </message>
    <message>
        <source>Sheets as PDF</source>
        <translation>Blätter als PDF</translation>
    </message>
    <message>
        <source>Programs</source>
        <translation>Programme</translation>
    </message>
    <message>
        <source>Setup sheets</source>
        <translation>Einrichteblätter</translation>
    </message>
    <message>
        <source>Table of holes</source>
        <translation>Tabelle der Löcher</translation>
    </message>
    <message>
        <source>Table of dimensions</source>
        <translation>Tabelle der Maße</translation>
    </message>
    <message>
        <source>Table of bodies</source>
        <translation>Tabelle der Körper</translation>
    </message>
    <message>
        <source>List of parts to be cut</source>
        <translation>Liste der Schneidteile</translation>
    </message>
    <message>
        <source>Account of all changes</source>
        <translation>Bericht aller Änderungen</translation>
    </message>
    <message>
        <source>Drawings as received</source>
        <translation>Zeichnungen wie erhalten</translation>
    </message>
    <message>
        <source>There is nothing of this kind</source>
        <translation>Davon gibt es nichts</translation>
    </message>
    <message>
        <source>Names of the files</source>
        <translation>Namen der Dateien</translation>
    </message>
    <message>
        <source>{job}, {sketch}, {rev} and {kind} are filled in; with {sketch} each has a file</source>
        <translation>{job}, {sketch}, {rev} und {kind} werden ausgefüllt; mit {sketch} hat jede Skizze eine Datei</translation>
    </message>
    <message>
        <source>Revision</source>
        <translation>Revision</translation>
    </message>
    <message>
        <source>What is in the package</source>
        <translation>Was im Paket ist</translation>
    </message>
    <message>
        <source>What files are called</source>
        <translation>Wie Dateien heißen</translation>
    </message>
    <message>
        <source>Such as {0}. Every file has its digest in the package.</source>
        <translation>Etwa {0}. Jede Datei hat ihre Prüfsumme im Paket.</translation>
    </message>
    <message>
        <source>There is no body: raise one in Form</source>
        <translation>Es gibt keinen Körper: einen in Formung heben</translation>
    </message>
    <message>
        <source>There is no sheet: add one</source>
        <translation>Es gibt kein Blatt: eines hinzufügen</translation>
    </message>
    <message>
        <source>Nothing is cut: add an operation in Cut</source>
        <translation>Nichts wird geschnitten: einen Arbeitsgang in Schnitt hinzufügen</translation>
    </message>
    <message>
        <source>Pattern</source>
        <translation>Muster</translation>
    </message>
    <message>
        <source>{0}: click where it goes, or another thing.{1}</source>
        <translation>{0}: dorthin klicken, wo es stehen soll, oder noch etwas anklicken.{1}</translation>
    </message>
    <message>
        <source>Click what is to be measured: a line, a circle, a point. Escape ends.</source>
        <translation>Anklicken, was gemessen werden soll: eine Linie, einen Kreis, einen Punkt. Esc beendet.</translation>
    </message>
    <message>
        <source>Click a second thing.</source>
        <translation>Ein zweites anklicken.</translation>
    </message>
    <message>
        <source> Space: another meaning.</source>
        <translation> Leertaste: eine andere Bedeutung.</translation>
    </message>
    <message>
        <source>What leaves the house</source>
        <translation>Was das Haus verlässt</translation>
    </message>
    <message>
        <source>Write the sheet…</source>
        <translation>Das Blatt schreiben…</translation>
    </message>
    <message>
        <source>All sheets…</source>
        <translation>Alle Blätter…</translation>
    </message>
    <message>
        <source>Write all sheets, in one PDF or a file each</source>
        <translation>Alle Blätter schreiben, in eine PDF oder je eine Datei</translation>
    </message>
    <message>
        <source>Print…</source>
        <translation>Drucken…</translation>
    </message>
    <message>
        <source>Print all sheets, with a preview</source>
        <translation>Alle Blätter drucken, mit Vorschau</translation>
    </message>
    <message>
        <source>Write the package…</source>
        <translation>Das Paket schreiben…</translation>
    </message>
    <message>
        <source>Files</source>
        <translation>Dateien</translation>
    </message>
    <message>
        <source>Package</source>
        <translation>Paket</translation>
    </message>
    <message>
        <source>Print {0}</source>
        <translation>{0} drucken</translation>
    </message>
    <message>
        <source>smallest distance</source>
        <translation>kleinster Abstand</translation>
    </message>
    <message>
        <source>distance</source>
        <translation>Abstand</translation>
    </message>
    <message>
        <source>distance across</source>
        <translation>Abstand quer</translation>
    </message>
    <message>
        <source>distance up</source>
        <translation>Abstand hoch</translation>
    </message>
    <message>
        <source>{0} of {1} points</source>
        <translation>{0} von {1} Punkten</translation>
    </message>
    <message>
        <source>Notes on the sheet</source>
        <translation>Notizen auf dem Blatt</translation>
    </message>
    <message>
        <source>Text of a note</source>
        <translation>Text einer Notiz</translation>
    </message>
    <message>
        <source>text of a note</source>
        <translation>Text einer Notiz</translation>
    </message>
    <message>
        <source>Dimensions drawn on the sheet</source>
        <translation>Auf dem Blatt gezeichnete Maße</translation>
    </message>
    <message>
        <source>Draw</source>
        <translation>Zeichnen</translation>
    </message>
    <message>
        <source>Click what is to be measured on the sheet, then where the text goes</source>
        <translation>Auf dem Blatt anklicken, was gemessen werden soll, dann wohin der Text kommt</translation>
    </message>
    <message>
        <source>What the picks mean</source>
        <translation>Was das Angeklickte bedeutet</translation>
    </message>
    <message>
        <source>What the picks mean; Space on the sheet takes the next</source>
        <translation>Was das Angeklickte bedeutet; die Leertaste nimmt auf dem Blatt das Nächste</translation>
    </message>
    <message>
        <source>Take the chosen dimension off the sheet</source>
        <translation>Das gewählte Maß vom Blatt nehmen</translation>
    </message>
    <message>
        <source>Put…</source>
        <translation>Setzen…</translation>
    </message>
    <message>
        <source>The next click puts it on the sheet; a drag makes a line from what it is about</source>
        <translation>Der nächste Klick setzt sie auf das Blatt; ein Zug macht eine Linie von dem, worum es geht</translation>
    </message>
    <message>
        <source>Take the chosen note off the sheet</source>
        <translation>Die gewählte Notiz vom Blatt nehmen</translation>
    </message>
    <message>
        <source>A note needs words.</source>
        <translation>Eine Notiz braucht Worte.</translation>
    </message>
    <message>
        <source>Place</source>
        <translation>Stelle</translation>
    </message>
    <message>
        <source>Dimension</source>
        <translation>Maß</translation>
    </message>
    <message>
        <source>View</source>
        <translation>Ansicht</translation>
    </message>
    <message>
        <source>nothing is picked</source>
        <translation>nichts ist angeklickt</translation>
    </message>
    <message>
        <source>as picked</source>
        <translation>wie angeklickt</translation>
    </message>
    <message>
        <source>Drag a view to place it; the wheel comes nearer, arrow keys move the chosen view by 1 mm.</source>
        <translation>Eine Ansicht ziehen, um sie zu setzen; das Rad kommt näher, Pfeiltasten bewegen die gewählte um 1 mm.</translation>
    </message>
    <message>
        <source>The sheet</source>
        <translation>Das Blatt</translation>
    </message>
    <message>
        <source>Show all of the sheet</source>
        <translation>Das ganze Blatt zeigen</translation>
    </message>
    <message>
        <source>All profiles</source>
        <translation>Alle Konturen</translation>
    </message>
    <message>
        <source>The drawing as received</source>
        <translation>Die Zeichnung wie erhalten</translation>
    </message>
    <message>
        <source>Detail: drag a circle…</source>
        <translation>Einzelheit: einen Kreis ziehen…</translation>
    </message>
    <message>
        <source>Part of the drawing: drag a box…</source>
        <translation>Teil der Zeichnung: einen Kasten ziehen…</translation>
    </message>
    <message>
        <source>as usual</source>
        <translation>wie üblich</translation>
    </message>
    <message>
        <source>upright</source>
        <translation>hochkant</translation>
    </message>
    <message>
        <source>across</source>
        <translation>quer</translation>
    </message>
    <message>
        <source>first angle</source>
        <translation>erster Winkel</translation>
    </message>
    <message>
        <source>third angle</source>
        <translation>dritter Winkel</translation>
    </message>
    <message>
        <source>Cut at, mm</source>
        <translation>Schnitt bei, mm</translation>
    </message>
    <message>
        <source>Where the section is cut, in mm</source>
        <translation>Wo der Schnitt liegt, in mm</translation>
    </message>
    <message>
        <source>x, y, radius</source>
        <translation>x, y, Radius</translation>
    </message>
    <message>
        <source>The middle and the radius of the circle round the detail, in mm</source>
        <translation>Mitte und Radius des Kreises um die Einzelheit, in mm</translation>
    </message>
    <message>
        <source>From, to</source>
        <translation>Von, bis</translation>
    </message>
    <message>
        <source>Two corners of the part that is shown: x, y, x, y in mm</source>
        <translation>Zwei Ecken des gezeigten Teils: x, y, x, y in mm</translation>
    </message>
    <message>
        <source>Section, from the {0}, at {1} = {2:g}</source>
        <translation>Schnitt, von {0}, bei {1} = {2:g}</translation>
    </message>
    <message>
        <source>Sketch {0}</source>
        <translation>Skizze {0}</translation>
    </message>
    <message>
        <source>Part {0} as received</source>
        <translation>Teil {0} wie erhalten</translation>
    </message>
    <message>
        <source>Bodies, {0}</source>
        <translation>Körper, {0}</translation>
    </message>
    <message>
        <source>Each part</source>
        <translation>Jedes Teil</translation>
    </message>
    <message>
        <source>A sheet like the chosen one for each part that lies apart in the drawing as received</source>
        <translation>Ein Blatt wie das gewählte für jedes Teil, das in der erhaltenen Zeichnung für sich liegt</translation>
    </message>
    <message>
        <source>A paper, or width x height in mm</source>
        <translation>Ein Papier, oder Breite x Höhe in mm</translation>
    </message>
    <message>
        <source>Frame</source>
        <translation>Rahmen</translation>
    </message>
    <message>
        <source>Name of the sheet</source>
        <translation>Name des Blattes</translation>
    </message>
    <message>
        <source>Views on the sheet</source>
        <translation>Ansichten auf dem Blatt</translation>
    </message>
    <message>
        <source>View to be added</source>
        <translation>Ansicht, die dazukommt</translation>
    </message>
    <message>
        <source>Scale of the view</source>
        <translation>Maßstab der Ansicht</translation>
    </message>
    <message>
        <source>Where the view is taken</source>
        <translation>Wo die Ansicht genommen wird</translation>
    </message>
    <message>
        <source>Detail</source>
        <translation>Einzelheit</translation>
    </message>
    <message>
        <source>Part of the drawing</source>
        <translation>Teil der Zeichnung</translation>
    </message>
    <message>
        <source>Add a sheet</source>
        <translation>Ein Blatt dazu</translation>
    </message>
    <message>
        <source>A sheet with views of the bodies, or of the profiles where there are none</source>
        <translation>Ein Blatt mit Ansichten der Körper, oder der Konturen, wo es keine gibt</translation>
    </message>
    <message>
        <source>Take the chosen sheet out</source>
        <translation>Das gewählte Blatt wegnehmen</translation>
    </message>
    <message>
        <source>Views</source>
        <translation>Ansichten</translation>
    </message>
    <message>
        <source>Notes</source>
        <translation>Notizen</translation>
    </message>
    <message>
        <source>Title block</source>
        <translation>Schriftfeld</translation>
    </message>
    <message>
        <source>Paper</source>
        <translation>Papier</translation>
    </message>
    <message>
        <source>Scale of the sheet</source>
        <translation>Maßstab des Blattes</translation>
    </message>
    <message>
        <source>How the paper lies</source>
        <translation>Wie das Papier liegt</translation>
    </message>
    <message>
        <source>How views of bodies lie</source>
        <translation>Wie Ansichten von Körpern liegen</translation>
    </message>
    <message>
        <source>ISO 5457, with title block</source>
        <translation>ISO 5457, mit Schriftfeld</translation>
    </message>
    <message>
        <source>from a file…</source>
        <translation>aus einer Datei…</translation>
    </message>
    <message>
        <source>Bodies</source>
        <translation>Körper</translation>
    </message>
    <message>
        <source>Changes</source>
        <translation>Änderungen</translation>
    </message>
    <message>
        <source>A table of all holes: where they are and how large</source>
        <translation>Eine Tabelle aller Löcher: wo sie sind und wie groß</translation>
    </message>
    <message>
        <source>A table of all bodies, with their numbers in the views</source>
        <translation>Eine Tabelle aller Körper, mit ihren Nummern in den Ansichten</translation>
    </message>
    <message>
        <source>A table of what was changed, from the ledger</source>
        <translation>Eine Tabelle dessen, was geändert wurde, aus dem Buch</translation>
    </message>
    <message>
        <source>Table: {0}</source>
        <translation>Tabelle: {0}</translation>
    </message>
    <message>
        <source>Lies</source>
        <translation>Liegt</translation>
    </message>
    <message>
        <source>Scale</source>
        <translation>Maßstab</translation>
    </message>
    <message>
        <source>Views lie by</source>
        <translation>Ansichten im</translation>
    </message>
    <message>
        <source>Printed</source>
        <translation>Gedruckt</translation>
    </message>
    <message>
        <source>Tables</source>
        <translation>Tabellen</translation>
    </message>
    <message>
        <source>Add this view</source>
        <translation>Diese Ansicht hinzufügen</translation>
    </message>
    <message>
        <source>Take the chosen view off the sheet</source>
        <translation>Die gewählte Ansicht vom Blatt nehmen</translation>
    </message>
    <message>
        <source>Lay out</source>
        <translation>Anordnen</translation>
    </message>
    <message>
        <source>All views go back to where the sheet lays them</source>
        <translation>Alle Ansichten gehen dorthin zurück, wo das Blatt sie hinlegt</translation>
    </message>
    <message>
        <source>of the sheet</source>
        <translation>des Blattes</translation>
    </message>
    <message>
        <source>Hidden lines</source>
        <translation>Verdeckte Linien</translation>
    </message>
    <message>
        <source>Shaded</source>
        <translation>Schattiert</translation>
    </message>
    <message>
        <source>Its scale</source>
        <translation>Ihr Maßstab</translation>
    </message>
    <message>
        <source>Add a sheet: paper, frame and title block, with views of what the job has come to.</source>
        <translation>Ein Blatt hinzufügen: Papier, Rahmen und Schriftfeld, mit Ansichten dessen, was der Auftrag ergeben hat.</translation>
    </message>
    <message>
        <source>Laying out…</source>
        <translation>Es wird angeordnet…</translation>
    </message>
    <message>
        <source>{0:g} x {1:g} mm at {2}</source>
        <translation>{0:g} x {1:g} mm bei {2}</translation>
    </message>
    <message>
        <source>Drag from a place in a view; a detail has no details of its own.</source>
        <translation>Von einer Stelle in einer Ansicht ziehen; eine Einzelheit hat keine eigenen Einzelheiten.</translation>
    </message>
    <message>
        <source>Drag a box over the drawing as received; add that view first.</source>
        <translation>Einen Kasten über die Zeichnung wie erhalten ziehen; diese Ansicht zuerst hinzufügen.</translation>
    </message>
    <message>
        <source>Sheet</source>
        <translation>Blatt</translation>
    </message>
    <message>
        <source>Title block: {0}</source>
        <translation>Schriftfeld: {0}</translation>
    </message>
    <message>
        <source>There is a sheet “{0}” already.</source>
        <translation>Ein Blatt „{0}“ gibt es schon.</translation>
    </message>
    <message>
        <source>A sheet needs a name.</source>
        <translation>Ein Blatt braucht einen Namen.</translation>
    </message>
    <message>
        <source>as the job says</source>
        <translation>wie der Auftrag sagt</translation>
    </message>
    <message>
        <source>✓ {0}; everything has room.</source>
        <translation>✓ {0}; alles hat Platz.</translation>
    </message>
    <message>
        <source>laid out</source>
        <translation>angeordnet</translation>
    </message>
    <message>
        <source>Sheet {0}</source>
        <translation>Blatt {0}</translation>
    </message>
    <message>
        <source>Files with true arcs at true size, sheets that can be printed and signed, and one package of everything.</source>
        <translation>Dateien mit wahren Bögen in wahrer Größe, Blätter zum Drucken und Unterschreiben, und ein Paket mit allem.</translation>
    </message>
    <message>
        <source>Deliver</source>
        <translation>Ausgabe</translation>
    </message>
    <message>
        <source>Click where the note goes, or drag to it from what it is about. Escape gives up.</source>
        <translation>Dorthin klicken, wo die Notiz stehen soll, oder dorthin ziehen von dem, worum es geht. Esc gibt auf.</translation>
    </message>
    <message>
        <source>Drag from the middle of what the detail shows to its rim. Escape gives up.</source>
        <translation>Von der Mitte dessen, was die Einzelheit zeigt, bis zu ihrem Rand ziehen. Esc gibt auf.</translation>
    </message>
    <message>
        <source>Drag a box over what is to be shown of the drawing. Escape gives up.</source>
        <translation>Einen Kasten über das ziehen, was von der Zeichnung gezeigt werden soll. Esc gibt auf.</translation>
    </message>
    <message>
        <source>Choose a frame</source>
        <translation>Einen Rahmen wählen</translation>
    </message>
    <message>
        <source>Frames (*.svg)</source>
        <translation>Rahmen (*.svg)</translation>
    </message>
    <message>
        <source>joined with</source>
        <translation>vereint mit</translation>
    </message>
    <message>
        <source>without</source>
        <translation>ohne</translation>
    </message>
    <message>
        <source>in common with</source>
        <translation>gemeinsam mit</translation>
    </message>
    <message>
        <source>{0} {1}; area {2:,.2f} cm²; faces: {3}.{4}{5}</source>
        <translation>{0} {1}; Oberfläche {2:,.2f} cm²; Flächen: {3}.{4}{5}</translation>
    </message>
    <message>
        <source>Write the bodies…</source>
        <translation>Die Körper schreiben…</translation>
    </message>
    <message>
        <source>Write STEP, STL or 3MF</source>
        <translation>STEP, STL oder 3MF schreiben</translation>
    </message>
    <message>
        <source>Name of the chosen body</source>
        <translation>Name des gewählten Körpers</translation>
    </message>
    <message>
        <source>Material, or density in kg/m³</source>
        <translation>Material, oder Dichte in kg/m³</translation>
    </message>
    <message>
        <source>A material that is known, or a density in kg/m³</source>
        <translation>Ein bekanntes Material, oder eine Dichte in kg/m³</translation>
    </message>
    <message>
        <source>Axis to turn about</source>
        <translation>Achse, um die gedreht wird</translation>
    </message>
    <message>
        <source>Move and turn the chosen body, or leave copies on the way</source>
        <translation>Den gewählten Körper verschieben und drehen, oder unterwegs Kopien lassen</translation>
    </message>
    <message>
        <source>Direction of the wanted size</source>
        <translation>Richtung der gewünschten Größe</translation>
    </message>
    <message>
        <source>Wanted size</source>
        <translation>Gewünschte Größe</translation>
    </message>
    <message>
        <source>Scale the chosen body to the wanted size, all directions alike</source>
        <translation>Den gewählten Körper auf die gewünschte Größe skalieren, in allen Richtungen gleich</translation>
    </message>
    <message>
        <source>How the bodies are combined</source>
        <translation>Wie die Körper verknüpft werden</translation>
    </message>
    <message>
        <source>The other body</source>
        <translation>Der andere Körper</translation>
    </message>
    <message>
        <source>Combine</source>
        <translation>Verknüpfen</translation>
    </message>
    <message>
        <source>Combine the chosen body with the other one, which is used up</source>
        <translation>Den gewählten Körper mit dem anderen verknüpfen, der dabei aufgeht</translation>
    </message>
    <message>
        <source> After {0}.</source>
        <translation> Nach {0}.</translation>
    </message>
    <message>
        <source>material or kg/m³</source>
        <translation>Material oder kg/m³</translation>
    </message>
    <message>
        <source>Colour…</source>
        <translation>Farbe…</translation>
    </message>
    <message>
        <source>Colour of the body</source>
        <translation>Farbe des Körpers</translation>
    </message>
    <message>
        <source>Take away</source>
        <translation>Wegnehmen</translation>
    </message>
    <message>
        <source>Move along {0}</source>
        <translation>Entlang {0} verschieben</translation>
    </message>
    <message>
        <source>Turn, in degrees</source>
        <translation>Drehen, in Grad</translation>
    </message>
    <message>
        <source>Copies; 0 for the body itself</source>
        <translation>Kopien; 0 für den Körper selbst</translation>
    </message>
    <message>
        <source>about {0}</source>
        <translation>um {0}</translation>
    </message>
    <message>
        <source>along {0}</source>
        <translation>entlang {0}</translation>
    </message>
    <message>
        <source>There is no body yet: raise a region first.</source>
        <translation>Noch gibt es keinen Körper: zuerst eine Fläche heben.</translation>
    </message>
    <message>
        <source>Colour of {0}</source>
        <translation>Farbe von {0}</translation>
    </message>
    <message>
        <source>“{0}” is no number of copies. Give a whole one, or 0 for the body itself.</source>
        <translation>„{0}“ ist keine Anzahl von Kopien. Eine ganze Zahl geben, oder 0 für den Körper selbst.</translation>
    </message>
    <message>
        <source>Volume cm³</source>
        <translation>Volumen cm³</translation>
    </message>
    <message>
        <source>Mass kg</source>
        <translation>Masse kg</translation>
    </message>
    <message>
        <source>Turn</source>
        <translation>Drehen</translation>
    </message>
    <message>
        <source>Size</source>
        <translation>Größe</translation>
    </message>
    <message>
        <source>{0} (hidden)</source>
        <translation>{0} (verborgen)</translation>
    </message>
    <message>
        <source>Raise what is chosen</source>
        <translation>Das Gewählte heben</translation>
    </message>
    <message>
        <source>Turn what is chosen</source>
        <translation>Das Gewählte drehen</translation>
    </message>
    <message>
        <source>Show all of space</source>
        <translation>Den ganzen Raum zeigen</translation>
    </message>
    <message>
        <source>See through the bodies</source>
        <translation>Durch die Körper sehen</translation>
    </message>
    <message>
        <source>The drawing in its plane</source>
        <translation>Die Zeichnung in ihrer Ebene</translation>
    </message>
    <message>
        <source>View from the {0}</source>
        <translation>Ansicht von {0}</translation>
    </message>
    <message>
        <source>Isometric view</source>
        <translation>Schrägansicht</translation>
    </message>
    <message>
        <source>Give the dimension this value</source>
        <translation>Dem Maß diesen Wert geben</translation>
    </message>
    <message>
        <source>Let the other end stay when it changes</source>
        <translation>Das andere Ende stehen lassen, wenn es sich ändert</translation>
    </message>
    <message>
        <source>{0}: {1} in {2}</source>
        <translation>{0}: {1} in {2}</translation>
    </message>
    <message>
        <source>Which edges</source>
        <translation>Welche Kanten</translation>
    </message>
    <message>
        <source>the chosen ones</source>
        <translation>die gewählten</translation>
    </message>
    <message>
        <source>Body whose edges are meant</source>
        <translation>Körper, dessen Kanten gemeint sind</translation>
    </message>
    <message>
        <source>Feature whose edges alone are meant</source>
        <translation>Merkmal, dessen Kanten allein gemeint sind</translation>
    </message>
    <message>
        <source>Radius of the fillet, or setback of the chamfer</source>
        <translation>Radius der Verrundung, oder Länge der Fase</translation>
    </message>
    <message>
        <source>Round</source>
        <translation>Runden</translation>
    </message>
    <message>
        <source>Round the edges: a fillet</source>
        <translation>Die Kanten verrunden</translation>
    </message>
    <message>
        <source>Bevel</source>
        <translation>Brechen</translation>
    </message>
    <message>
        <source>Bevel: a chamfer</source>
        <translation>Die Kanten mit einer Fase brechen</translation>
    </message>
    <message>
        <source>anything</source>
        <translation>alles</translation>
    </message>
    <message>
        <source>{0} of {1} chosen.</source>
        <translation>{0} von {1} gewählt.</translation>
    </message>
    <message>
        <source>Edges</source>
        <translation>Kanten</translation>
    </message>
    <message>
        <source>of</source>
        <translation>von</translation>
    </message>
    <message>
        <source>made by</source>
        <translation>gemacht von</translation>
    </message>
    <message>
        <source>edge</source>
        <translation>Kante</translation>
    </message>
    <message>
        <source>edges</source>
        <translation>Kanten</translation>
    </message>
    <message>
        <source>{0}, whatever the numbers become.</source>
        <translation>{0}, was auch aus den Zahlen wird.</translation>
    </message>
    <message>
        <source>Click an edge, or a face for all of its edges, Ctrl for several; or take a rule.</source>
        <translation>Eine Kante anklicken, oder eine Fläche für alle ihre Kanten, mit Strg mehrere; oder eine Regel nehmen.</translation>
    </message>
    <message>
        <source>Drag turns, the middle button pans, the wheel zooms. Click chooses, Ctrl adds.</source>
        <translation>Ziehen dreht, die mittlere Taste verschiebt, das Rad zoomt. Ein Klick wählt, Strg fügt hinzu.</translation>
    </message>
    <message>
        <source>no cut</source>
        <translation>kein Schnitt</translation>
    </message>
    <message>
        <source>cut across x</source>
        <translation>quer zu x geschnitten</translation>
    </message>
    <message>
        <source>cut across y</source>
        <translation>quer zu y geschnitten</translation>
    </message>
    <message>
        <source>cut across z</source>
        <translation>quer zu z geschnitten</translation>
    </message>
    <message>
        <source>Show everything (F)</source>
        <translation>Alles zeigen (F)</translation>
    </message>
    <message>
        <source>See through</source>
        <translation>Durchsehen</translation>
    </message>
    <message>
        <source>Where the cut is</source>
        <translation>Wo der Schnitt liegt</translation>
    </message>
    <message>
        <source>Show what lies on the other side of the cut</source>
        <translation>Zeigen, was auf der anderen Seite des Schnitts liegt</translation>
    </message>
    <message>
        <source>The drawing in its plane, to pick or draw there</source>
        <translation>Die Zeichnung in ihrer Ebene, um dort auszuwählen oder zu zeichnen</translation>
    </message>
    <message>
        <source>as a new body</source>
        <translation>als neuer Körper</translation>
    </message>
    <message>
        <source>joined to</source>
        <translation>vereint mit</translation>
    </message>
    <message>
        <source>taken away from</source>
        <translation>abgezogen von</translation>
    </message>
    <message>
        <source>what both have with</source>
        <translation>was beide gemeinsam haben mit</translation>
    </message>
    <message>
        <source>Sketch whose regions are meant where none is chosen</source>
        <translation>Skizze, deren Flächen gemeint sind, wo keine gewählt ist</translation>
    </message>
    <message>
        <source>What becomes of it</source>
        <translation>Was daraus wird</translation>
    </message>
    <message>
        <source>Body that it changes</source>
        <translation>Körper, den es ändert</translation>
    </message>
    <message>
        <source>Angle by which the sides lean inwards</source>
        <translation>Winkel, um den sich die Seiten nach innen neigen</translation>
    </message>
    <message>
        <source>Fill holes</source>
        <translation>Löcher füllen</translation>
    </message>
    <message>
        <source>Up to the chosen face</source>
        <translation>Bis zur gewählten Fläche</translation>
    </message>
    <message>
        <source>Raise up to the flat face that is chosen, or level with the chosen line's start</source>
        <translation>Bis zur gewählten ebenen Fläche heben, oder bis auf die Höhe des Anfangs der gewählten Linie</translation>
    </message>
    <message>
        <source>Raise</source>
        <translation>Heben</translation>
    </message>
    <message>
        <source>Raise the chosen regions</source>
        <translation>Die gewählten Flächen heben</translation>
    </message>
    <message>
        <source>as drawn</source>
        <translation>wie gezeichnet</translation>
    </message>
    <message>
        <source>Where the ring is measured</source>
        <translation>Wo der Ring gemessen wird</translation>
    </message>
    <message>
        <source>Turn the regions about the chosen line</source>
        <translation>Die Flächen um die gewählte Linie drehen</translation>
    </message>
    <message>
        <source>Thickness of each layer or role</source>
        <translation>Dicke jedes Layers oder jeder Rolle</translation>
    </message>
    <message>
        <source>PLATE = 6, RIB = 10</source>
        <translation>PLATTE = 6, RIPPE = 10</translation>
    </message>
    <message>
        <source>A thickness for each name, with commas between; regions of others stay flat</source>
        <translation>Eine Dicke für jeden Namen, mit Kommas dazwischen; Flächen der anderen bleiben flach</translation>
    </message>
    <message>
        <source>What thicknesses go by</source>
        <translation>Wonach Dicken gehen</translation>
    </message>
    <message>
        <source>Raise all</source>
        <translation>Alle heben</translation>
    </message>
    <message>
        <source>Raise every region of the drawing at the thickness of its layer or role</source>
        <translation>Jede Fläche der Zeichnung auf die Dicke ihres Layers oder ihrer Rolle heben</translation>
    </message>
    <message>
        <source>Line #{0} of {1}</source>
        <translation>Linie #{0} von {1}</translation>
    </message>
    <message>
        <source>Click a line of the sketch; Ctrl adds it.</source>
        <translation>Eine Linie der Skizze anklicken; Strg fügt sie hinzu.</translation>
    </message>
    <message>
        <source>From, over the plane</source>
        <translation>Von, über der Ebene</translation>
    </message>
    <message>
        <source>To, over the plane</source>
        <translation>Bis, über der Ebene</translation>
    </message>
    <message>
        <source>Angle of the turn</source>
        <translation>Winkel der Drehung</translation>
    </message>
    <message>
        <source>Diameter of the ring</source>
        <translation>Durchmesser des Rings</translation>
    </message>
    <message>
        <source>Turn about the chosen line</source>
        <translation>Um die gewählte Linie drehen</translation>
    </message>
    <message>
        <source>The whole drawing, each region at its thickness</source>
        <translation>Die ganze Zeichnung, jede Fläche auf ihre Dicke</translation>
    </message>
    <message>
        <source>Of sketch</source>
        <translation>Von Skizze</translation>
    </message>
    <message>
        <source>Lean</source>
        <translation>Neigung</translation>
    </message>
    <message>
        <source>By</source>
        <translation>Um</translation>
    </message>
    <message>
        <source>Ring of</source>
        <translation>Ring von</translation>
    </message>
    <message>
        <source>, its {0} left open</source>
        <translation>, davon {0} offen gelassen</translation>
    </message>
    <message>
        <source>All of it: {0}{1}. Click regions for others, Ctrl for several.</source>
        <translation>Alles: {0}{1}. Flächen anklicken für andere, mit Strg mehrere.</translation>
    </message>
    <message>
        <source>{0} of {1}</source>
        <translation>{0} von {1}</translation>
    </message>
    <message>
        <source>hole</source>
        <translation>Loch</translation>
    </message>
    <message>
        <source>region</source>
        <translation>Fläche</translation>
    </message>
    <message>
        <source>regions</source>
        <translation>Flächen</translation>
    </message>
    <message>
        <source>Nothing in the drawing is closed. Mend it first.</source>
        <translation>Nichts in der Zeichnung ist geschlossen. Zuerst heilen.</translation>
    </message>
    <message>
        <source>{0}, area {1}{2}</source>
        <translation>{0}, Inhalt {1}{2}</translation>
    </message>
    <message>
        <source>length {0}{1}</source>
        <translation>Länge {0}{1}</translation>
    </message>
    <message>
        <source>, radius {0}</source>
        <translation>, Radius {0}</translation>
    </message>
    <message>
        <source>Closed region of {0}</source>
        <translation>Geschlossene Fläche von {0}</translation>
    </message>
    <message>
        <source>#{0} of {1}</source>
        <translation>#{0} von {1}</translation>
    </message>
    <message>
        <source>Edge of {0}</source>
        <translation>Kante von {0}</translation>
    </message>
    <message>
        <source>Face of {0}</source>
        <translation>Fläche von {0}</translation>
    </message>
    <message>
        <source>at {0:.4g}°</source>
        <translation>unter {0:.4g}°</translation>
    </message>
    <message>
        <source>area {0}</source>
        <translation>Inhalt {0}</translation>
    </message>
    <message>
        <source>length {0}</source>
        <translation>Länge {0}</translation>
    </message>
    <message>
        <source>measuring…</source>
        <translation>es wird gemessen…</translation>
    </message>
    <message>
        <source>{0} apart</source>
        <translation>{0} auseinander</translation>
    </message>
    <message>
        <source>Click a closed region, give a depth, and raise it.</source>
        <translation>Eine geschlossene Fläche anklicken, eine Tiefe geben und sie heben.</translation>
    </message>
    <message>
        <source>What is made of the sketches</source>
        <translation>Was aus den Skizzen wird</translation>
    </message>
    <message>
        <source>Back to space</source>
        <translation>Zurück in den Raum</translation>
    </message>
    <message>
        <source>Show the solids again</source>
        <translation>Die Körper wieder zeigen</translation>
    </message>
    <message>
        <source>Looking for what is closed…</source>
        <translation>Es wird gesucht, was geschlossen ist…</translation>
    </message>
    <message>
        <source>Make</source>
        <translation>Machen</translation>
    </message>
    <message>
        <source>Planes</source>
        <translation>Ebenen</translation>
    </message>
    <message>
        <source>Chosen</source>
        <translation>Gewählt</translation>
    </message>
    <message>
        <source>Nothing.</source>
        <translation>Nichts.</translation>
    </message>
    <message>
        <source>Sketch that is laid on a plane</source>
        <translation>Skizze, die auf eine Ebene gelegt wird</translation>
    </message>
    <message>
        <source>Plane</source>
        <translation>Ebene</translation>
    </message>
    <message>
        <source>Lay it there</source>
        <translation>Dorthin legen</translation>
    </message>
    <message>
        <source>Lay the sketch on that plane</source>
        <translation>Die Skizze auf diese Ebene legen</translation>
    </message>
    <message>
        <source>Through the chosen line</source>
        <translation>Durch die gewählte Linie</translation>
    </message>
    <message>
        <source>Lay the sketch on a plane through the chosen line</source>
        <translation>Die Skizze auf eine Ebene durch die gewählte Linie legen</translation>
    </message>
    <message>
        <source>On the chosen face</source>
        <translation>Auf die gewählte Fläche</translation>
    </message>
    <message>
        <source>Lay the sketch on the flat face that is chosen</source>
        <translation>Die Skizze auf die gewählte ebene Fläche legen</translation>
    </message>
    <message>
        <source>Its origin lies at {0} mm, and it looks along {1}.</source>
        <translation>Ihr Ursprung liegt bei {0} mm, und sie sieht entlang {1}.</translation>
    </message>
    <message>
        <source>{0} plane</source>
        <translation>Ebene {0}</translation>
    </message>
    <message>
        <source>How far along its normal</source>
        <translation>Wie weit entlang ihrer Normalen</translation>
    </message>
    <message>
        <source>Turn in itself, in degrees</source>
        <translation>In sich drehen, in Grad</translation>
    </message>
    <message>
        <source>Tilt about the line, in degrees</source>
        <translation>Um die Linie kippen, in Grad</translation>
    </message>
    <message>
        <source>There is no sketch.</source>
        <translation>Es gibt keine Skizze.</translation>
    </message>
    <message>
        <source>On the</source>
        <translation>Auf die</translation>
    </message>
    <message>
        <source>Moved</source>
        <translation>Verschoben</translation>
    </message>
    <message>
        <source>mm, turned</source>
        <translation>mm, gedreht</translation>
    </message>
    <message>
        <source>Tilt</source>
        <translation>Kippen</translation>
    </message>
    <message>
        <source>Solids and sketches in space</source>
        <translation>Körper und Skizzen im Raum</translation>
    </message>
    <message>
        <source>Raise a closed region, turn it, round its edges: a part that follows when a dimension changes.</source>
        <translation>Eine geschlossene Fläche heben, sie drehen, ihre Kanten runden: ein Teil, das folgt, wenn sich ein Maß ändert.</translation>
    </message>
    <message>
        <source>Form</source>
        <translation>Formung</translation>
    </message>
    <message>
        <source>Draw a box round the {0} view. Escape gives up.</source>
        <translation>Einen Kasten um die Ansicht „{0}“ ziehen. Esc gibt auf.</translation>
    </message>
    <message>
        <source>As it would be. {0}</source>
        <translation>Wie es würde. {0}</translation>
    </message>
    <message>
        <source>within its outline</source>
        <translation>innerhalb seines Umrisses</translation>
    </message>
    <message>
        <source>taken away</source>
        <translation>weggenommen</translation>
    </message>
    <message>
        <source>turned</source>
        <translation>gedreht</translation>
    </message>
    <message>
        <source>found by itself</source>
        <translation>von selbst gefunden</translation>
    </message>
    <message>
        <source>Projection</source>
        <translation>Projektion</translation>
    </message>
    <message>
        <source>View that a box is drawn round</source>
        <translation>Ansicht, um die ein Kasten gezogen wird</translation>
    </message>
    <message>
        <source>Draw its box</source>
        <translation>Ihren Kasten ziehen</translation>
    </message>
    <message>
        <source>Name this view by a box that is drawn round it on the sheet</source>
        <translation>Diese Ansicht durch einen Kasten nennen, der auf dem Blatt um sie gezogen wird</translation>
    </message>
    <message>
        <source>Forget boxes</source>
        <translation>Kästen vergessen</translation>
    </message>
    <message>
        <source>Find the views again without the boxes</source>
        <translation>Die Ansichten wieder ohne die Kästen suchen</translation>
    </message>
    <message>
        <source>Read the views</source>
        <translation>Ansichten lesen</translation>
    </message>
    <message>
        <source>Find the views and what they show</source>
        <translation>Die Ansichten suchen und was sie zeigen</translation>
    </message>
    <message>
        <source>Fold and make</source>
        <translation>Falten und machen</translation>
    </message>
    <message>
        <source>Lay the views on their planes and make what they show</source>
        <translation>Die Ansichten auf ihre Ebenen legen und machen, was sie zeigen</translation>
    </message>
    <message>
        <source>Proposals; those without a mark are left out</source>
        <translation>Vorschläge; was kein Häkchen hat, wird weggelassen</translation>
    </message>
    <message>
        <source>{0}: {1} turned by {2:g}°</source>
        <translation>{0}: {1}, um {2:g}° gedreht</translation>
    </message>
    <message>
        <source> from {0} to {1}</source>
        <translation> von {0} bis {1}</translation>
    </message>
    <message>
        <source>, in doubt</source>
        <translation>, zweifelhaft</translation>
    </message>
    <message>
        <source>{0} view</source>
        <translation>Ansicht {0}</translation>
    </message>
    <message>
        <source>What each view says</source>
        <translation>Was jede Ansicht sagt</translation>
    </message>
    <message>
        <source> Named by hand: {0}.</source>
        <translation> Von Hand genannt: {0}.</translation>
    </message>
    <message>
        <source>{0}; sure to {1:.0%}</source>
        <translation>{0}; sicher zu {1:.0%}</translation>
    </message>
    <message>
        <source>By hand</source>
        <translation>Von Hand</translation>
    </message>
    <message>
        <source>Drawing in space</source>
        <translation>Es wird im Raum gezeichnet</translation>
    </message>
    <message>
        <source>Reading the views…</source>
        <translation>Die Ansichten werden gelesen…</translation>
    </message>
    <message>
        <source>{0} named. </source>
        <translation>{0} genannt. </translation>
    </message>
    <message>
        <source>{0}A drawing with a front view and others over, under or beside it becomes what it shows.</source>
        <translation>{0}Eine Zeichnung mit einer Vorderansicht und anderen darüber, darunter oder daneben wird, was sie zeigt.</translation>
    </message>
    <message>
        <source>view</source>
        <translation>Ansicht</translation>
    </message>
    <message>
        <source>views</source>
        <translation>Ansichten</translation>
    </message>
    <message>
        <source>Curves</source>
        <translation>Kurven</translation>
    </message>
    <message>
        <source>Texts</source>
        <translation>Texte</translation>
    </message>
    <message>
        <source>Hatches</source>
        <translation>Schraffuren</translation>
    </message>
    <message>
        <source>Points</source>
        <translation>Punkte</translation>
    </message>
    <message>
        <source>Pictures</source>
        <translation>Bilder</translation>
    </message>
    <message>
        <source>Construction lines</source>
        <translation>Hilfslinien</translation>
    </message>
    <message>
        <source>Leaders</source>
        <translation>Hinweislinien</translation>
    </message>
    <message>
        <source>inside it</source>
        <translation>innerhalb</translation>
    </message>
    <message>
        <source>what lies inside the box</source>
        <translation>was im Kasten liegt</translation>
    </message>
    <message>
        <source>touched by it</source>
        <translation>berührt</translation>
    </message>
    <message>
        <source>what the box touches</source>
        <translation>was der Kasten berührt</translation>
    </message>
    <message>
        <source>cut at it</source>
        <translation>daran geschnitten</translation>
    </message>
    <message>
        <source>cut at the box</source>
        <translation>am Kasten geschnitten</translation>
    </message>
    <message>
        <source>Page or layout</source>
        <translation>Seite oder Layout</translation>
    </message>
    <message>
        <source>Layers</source>
        <translation>Layer</translation>
    </message>
    <message>
        <source>Layers of the drawing</source>
        <translation>Layer der Zeichnung</translation>
    </message>
    <message>
        <source>Leave hidden and frozen layers</source>
        <translation>Verborgene und gefrorene Layer weglassen</translation>
    </message>
    <message>
        <source>Keep blocks together</source>
        <translation>Blöcke zusammenhalten</translation>
    </message>
    <message>
        <source>Curves remember which block they came in with</source>
        <translation>Kurven merken sich, mit welchem Block sie kamen</translation>
    </message>
    <message>
        <source>Which sketch its curves go to</source>
        <translation>In welche Skizze ihre Kurven kommen</translation>
    </message>
    <message>
        <source>Reading</source>
        <translation>Lesen</translation>
    </message>
    <message>
        <source>Take it in</source>
        <translation>Aufnehmen</translation>
    </message>
    <message>
        <source>Add to this job</source>
        <translation>Zu diesem Auftrag dazu</translation>
    </message>
    <message>
        <source>Password of the drawing</source>
        <translation>Passwort der Zeichnung</translation>
    </message>
    <message>
        <source>Password</source>
        <translation>Passwort</translation>
    </message>
    <message>
        <source>Draw a box</source>
        <translation>Einen Kasten ziehen</translation>
    </message>
    <message>
        <source>What the box takes</source>
        <translation>Was der Kasten nimmt</translation>
    </message>
    <message>
        <source>All of it</source>
        <translation>Alles</translation>
    </message>
    <message>
        <source>Take all of it again</source>
        <translation>Wieder alles nehmen</translation>
    </message>
    <message>
        <source>Preset</source>
        <translation>Vorwahl</translation>
    </message>
    <message>
        <source>Use it for every new file, without asking</source>
        <translation>Für jede neue Datei nehmen, ohne zu fragen</translation>
    </message>
    <message>
        <source>{0} mesh</source>
        <translation>Netz in {0}</translation>
    </message>
    <message>
        <source>probably {0}</source>
        <translation>wahrscheinlich {0}</translation>
    </message>
    <message>
        <source>, but probably {0}</source>
        <translation>, aber wahrscheinlich {0}</translation>
    </message>
    <message>
        <source>{0}, unit: {1}</source>
        <translation>{0}, Einheit: {1}</translation>
    </message>
    <message>
        <source>Keep blocks together ({0})</source>
        <translation>Blöcke zusammenhalten ({0})</translation>
    </message>
    <message>
        <source>a sketch a layer</source>
        <translation>je Layer eine Skizze</translation>
    </message>
    <message>
        <source>None</source>
        <translation>Keine</translation>
    </message>
    <message>
        <source>Take</source>
        <translation>Nehmen</translation>
    </message>
    <message>
        <source>Goes to</source>
        <translation>Kommt in</translation>
    </message>
    <message>
        <source>All</source>
        <translation>Alle</translation>
    </message>
    <message>
        <source>Take all layers</source>
        <translation>Alle Layer nehmen</translation>
    </message>
    <message>
        <source>Leave all layers</source>
        <translation>Alle Layer weglassen</translation>
    </message>
    <message>
        <source>Part of it</source>
        <translation>Ein Teil davon</translation>
    </message>
    <message>
        <source>Save as a preset</source>
        <translation>Als Vorwahl sichern</translation>
    </message>
    <message>
        <source>Drop this preset</source>
        <translation>Diese Vorwahl fallen lassen</translation>
    </message>
    <message>
        <source>Use these choices</source>
        <translation>Diese Wahl verwenden</translation>
    </message>
    <message>
        <source>Add all {0} to this job</source>
        <translation>Alle {0} zu diesem Auftrag dazu</translation>
    </message>
    <message>
        <source>{0} could not be read; the report says why once it is taken in.</source>
        <translation>{0} nicht lesbar; der Bericht sagt den Grund, sobald sie aufgenommen ist.</translation>
    </message>
    <message>
        <source>only the {0}</source>
        <translation>nur {0}</translation>
    </message>
    <message>
        <source>All of it. Drag over curves to pick some.</source>
        <translation>Alles. Über Kurven ziehen, um einige auszuwählen.</translation>
    </message>
    <message>
        <source>Name of the preset:</source>
        <translation>Name der Vorwahl:</translation>
    </message>
    <message>
        <source>Take in all {0}</source>
        <translation>Alle {0} aufnehmen</translation>
    </message>
    <message>
        <source>Reading…</source>
        <translation>Es wird gelesen…</translation>
    </message>
    <message>
        <source>No drawing is looked at.</source>
        <translation>Keine Zeichnung wird angesehen.</translation>
    </message>
    <message>
        <source>layer</source>
        <translation>Layer</translation>
    </message>
    <message>
        <source>layers</source>
        <translation>Layer</translation>
    </message>
    <message>
        <source>{0}  · hidden</source>
        <translation>{0}  · verborgen</translation>
    </message>
    <message>
        <source>{0}: its author had it hidden</source>
        <translation>{0}: vom Verfasser verborgen</translation>
    </message>
    <message>
        <source>picked curve</source>
        <translation>ausgewählte Kurve</translation>
    </message>
    <message>
        <source>picked curves</source>
        <translation>ausgewählte Kurven</translation>
    </message>
    <message>
        <source>a sketch of its own, {0}</source>
        <translation>eine eigene Skizze, {0}</translation>
    </message>
    <message>
        <source>sketch {0}</source>
        <translation>Skizze {0}</translation>
    </message>
    <message>
        <source>Add a drawing to this job</source>
        <translation>Eine Zeichnung zu diesem Auftrag hinzunehmen</translation>
    </message>
    <message>
        <source>Take layer {0} from</source>
        <translation>Layer {0} nehmen aus</translation>
    </message>
    <message>
        <source>Link to</source>
        <translation>Verknüpfen mit</translation>
    </message>
    <message>
        <source>Open…</source>
        <translation>Öffnen…</translation>
    </message>
    <message>
        <source>Add a drawing to this job…</source>
        <translation>Eine Zeichnung zu diesem Auftrag hinzunehmen…</translation>
    </message>
    <message>
        <source>Look through the demo drawings</source>
        <translation>Die Beispielzeichnungen durchsehen</translation>
    </message>
    <message>
        <source>Take in the drawing that is looked at</source>
        <translation>Die angesehene Zeichnung aufnehmen</translation>
    </message>
    <message>
        <source>Back to the job</source>
        <translation>Zurück zum Auftrag</translation>
    </message>
    <message>
        <source>Look for changed files</source>
        <translation>Nach geänderten Dateien sehen</translation>
    </message>
    <message>
        <source>Save the import report…</source>
        <translation>Den Bericht der Aufnahme sichern…</translation>
    </message>
    <message>
        <source>Link to {0}</source>
        <translation>Mit {0} verknüpfen</translation>
    </message>
    <message>
        <source>Detach a source</source>
        <translation>Eine Quelle lösen</translation>
    </message>
    <message>
        <source>The report is on the clipboard.</source>
        <translation>Der Bericht liegt in der Zwischenablage.</translation>
    </message>
    <message>
        <source>Pause a link</source>
        <translation>Eine Verknüpfung ruhen lassen</translation>
    </message>
    <message>
        <source>Resume a link</source>
        <translation>Eine Verknüpfung wieder aufnehmen</translation>
    </message>
    <message>
        <source>{0} cannot be written: {1}. Save it in another folder.</source>
        <translation>{0} lässt sich nicht schreiben: {1}. Bitte in einem anderen Ordner sichern.</translation>
    </message>
    <message>
        <source>Reading {0}</source>
        <translation>{0} wird gelesen</translation>
    </message>
    <message>
        <source>{0} cannot be looked through: {1}.</source>
        <translation>{0} lässt sich nicht durchsehen: {1}.</translation>
    </message>
    <message>
        <source>There is no drawing to look at.</source>
        <translation>Es gibt keine Zeichnung anzusehen.</translation>
    </message>
    <message>
        <source>Making the demo drawings</source>
        <translation>Die Beispielzeichnungen werden gemacht</translation>
    </message>
    <message>
        <source>{0} is a job and was opened alone; add the others to it one by one.</source>
        <translation>{0} ist ein Auftrag und wurde allein geöffnet; die anderen bitte einzeln hinzunehmen.</translation>
    </message>
    <message>
        <source>The demo cannot be written to {0}: {1}.</source>
        <translation>Das Beispiel lässt sich nicht nach {0} schreiben: {1}.</translation>
    </message>
    <message>
        <source>Opened lately</source>
        <translation>Zuletzt geöffnet</translation>
    </message>
    <message>
        <source>Drawings opened lately</source>
        <translation>Zuletzt geöffnete Zeichnungen</translation>
    </message>
    <message>
        <source>The picture could not be kept.</source>
        <translation>Das Bild konnte nicht behalten werden.</translation>
    </message>
    <message>
        <source>It takes more memory than there is.</source>
        <translation>Es braucht mehr Speicher, als da ist.</translation>
    </message>
    <message>
        <source>Pixels to the inch</source>
        <translation>Bildpunkte je Zoll</translation>
    </message>
    <message>
        <source>Layers are</source>
        <translation>Layer sind</translation>
    </message>
    <message>
        <source>Filled areas become</source>
        <translation>Gefüllte Flächen werden</translation>
    </message>
    <message>
        <source>Cut at clip paths</source>
        <translation>An Beschneidungspfaden schneiden</translation>
    </message>
    <message>
        <source>Cuts curves where the page does not show them</source>
        <translation>Schneidet Kurven, wo die Seite sie nicht zeigt</translation>
    </message>
    <message>
        <source>Join dashes drawn one by one</source>
        <translation>Einzeln gezeichnete Striche verbinden</translation>
    </message>
    <message>
        <source>Rows of equal strokes become one line</source>
        <translation>Reihen gleicher Striche werden eine Linie</translation>
    </message>
    <message>
        <source>Lay tilted curves flat</source>
        <translation>Gekippte Kurven flach legen</translation>
    </message>
    <message>
        <source>Instead of leaving out what is off the plane</source>
        <translation>Statt wegzulassen, was nicht in der Ebene liegt</translation>
    </message>
    <message>
        <source>Width in mm</source>
        <translation>Breite in mm</translation>
    </message>
    <message>
        <source>Height in mm</source>
        <translation>Höhe in mm</translation>
    </message>
    <message>
        <source>Up is</source>
        <translation>Oben ist</translation>
    </message>
    <message>
        <source>Cut at height</source>
        <translation>In der Höhe schneiden</translation>
    </message>
    <message>
        <source>In the file's numbers</source>
        <translation>In den Zahlen der Datei</translation>
    </message>
    <message>
        <source>Skip triangles up to</source>
        <translation>Dreiecke übergehen bis</translation>
    </message>
    <message>
        <source>In the file's numbers, squared</source>
        <translation>In den Zahlen der Datei, im Quadrat</translation>
    </message>
    <message>
        <source>Call the solid</source>
        <translation>Den Körper nennen</translation>
    </message>
    <message>
        <source>Empty for the name that the file gives</source>
        <translation>Leer für den Namen, den die Datei gibt</translation>
    </message>
    <message>
        <source>as the file says, or by height</source>
        <translation>wie die Datei sagt, oder nach der Höhe</translation>
    </message>
    <message>
        <source>as the file says, or by width</source>
        <translation>wie die Datei sagt, oder nach der Breite</translation>
    </message>
    <message>
        <source>half the height</source>
        <translation>halbe Höhe</translation>
    </message>
    <message>
        <source>96, the standard</source>
        <translation>96, die Norm</translation>
    </message>
    <message>
        <source>groups, else colours</source>
        <translation>Gruppen, sonst Farben</translation>
    </message>
    <message>
        <source>groups</source>
        <translation>Gruppen</translation>
    </message>
    <message>
        <source>colours</source>
        <translation>Farben</translation>
    </message>
    <message>
        <source>one for all</source>
        <translation>einer für alles</translation>
    </message>
    <message>
        <source>outlines</source>
        <translation>Umrisse</translation>
    </message>
    <message>
        <source>hatches</source>
        <translation>Schraffuren</translation>
    </message>
    <message>
        <source>Drawing that is looked at</source>
        <translation>Zeichnung, die angesehen wird</translation>
    </message>
    <message>
        <source>Wheel or arrow keys go to the next drawing, Ctrl and wheel zoom; drag over curves to pick them.</source>
        <translation>Rad oder Pfeiltasten gehen zur nächsten Zeichnung, Strg und Rad zoomen; über Kurven ziehen wählt sie aus.</translation>
    </message>
    <message>
        <source>Drawings on the shelf</source>
        <translation>Zeichnungen im Regal</translation>
    </message>
    <message>
        <source>Choose a folder…</source>
        <translation>Einen Ordner wählen…</translation>
    </message>
    <message>
        <source>Light or dark ground</source>
        <translation>Heller oder dunkler Grund</translation>
    </message>
    <message>
        <source>Shows the drawing on the light or the dark ground</source>
        <translation>Zeigt die Zeichnung auf dem hellen oder dem dunklen Grund</translation>
    </message>
    <message>
        <source>Back</source>
        <translation>Zurück</translation>
    </message>
    <message>
        <source>Wheel, arrows: next   ·   Ctrl + wheel: zoom   ·   drag: pick curves   ·   Return: take it in</source>
        <translation>Rad, Pfeile: nächste   ·   Strg + Rad: zoomen   ·   Ziehen: Kurven auswählen   ·   Eingabe: aufnehmen</translation>
    </message>
    <message>
        <source>Previous drawing</source>
        <translation>Vorige Zeichnung</translation>
    </message>
    <message>
        <source>Next drawing</source>
        <translation>Nächste Zeichnung</translation>
    </message>
    <message>
        <source>Choose another folder, or drop drawings here.</source>
        <translation>Einen anderen Ordner wählen, oder Zeichnungen hier ablegen.</translation>
    </message>
    <message>
        <source>Locked</source>
        <translation>Gesperrt</translation>
    </message>
    <message>
        <source>Cannot be read</source>
        <translation>Nicht lesbar</translation>
    </message>
    <message>
        <source>No drawings here</source>
        <translation>Hier sind keine Zeichnungen</translation>
    </message>
    <message>
        <source>See a drawing before it is taken in, and what could not be read from it.</source>
        <translation>Eine Zeichnung ansehen, bevor sie aufgenommen wird, und was davon nicht zu lesen war.</translation>
    </message>
    <message>
        <source>Intake</source>
        <translation>Aufnahme</translation>
    </message>
    <message>
        <source>{0} changed on disk: {1}.</source>
        <translation>{0} hat sich auf der Platte geändert: {1}.</translation>
    </message>
    <message>
        <source>Look at it</source>
        <translation>Ansehen</translation>
    </message>
    <message>
        <source>Stay with the old</source>
        <translation>Beim Alten bleiben</translation>
    </message>
    <message>
        <source>held in the job</source>
        <translation>im Auftrag gehalten</translation>
    </message>
    <message>
        <source>linked to its file</source>
        <translation>mit seiner Datei verknüpft</translation>
    </message>
    <message>
        <source>link paused</source>
        <translation>Verknüpfung ruht</translation>
    </message>
    <message>
        <source>What was read, by layer</source>
        <translation>Was gelesen wurde, nach Layern</translation>
    </message>
    <message>
        <source>How strongly pictures show</source>
        <translation>Wie stark Bilder zu sehen sind</translation>
    </message>
    <message>
        <source>linked to {0}</source>
        <translation>verknüpft mit {0}</translation>
    </message>
    <message>
        <source>Change what is taken…</source>
        <translation>Ändern, was genommen wird…</translation>
    </message>
    <message>
        <source>Change what is taken of {0}</source>
        <translation>Ändern, was von {0} genommen wird</translation>
    </message>
    <message>
        <source>More</source>
        <translation>Mehr</translation>
    </message>
    <message>
        <source>More about {0}</source>
        <translation>Mehr zu {0}</translation>
    </message>
    <message>
        <source>{0} ({1}) of {2}</source>
        <translation>{0} ({1}) von {2}</translation>
    </message>
    <message>
        <source>What changed, by layer</source>
        <translation>Was sich geändert hat, nach Layern</translation>
    </message>
    <message>
        <source>Take the new one over</source>
        <translation>Die neue übernehmen</translation>
    </message>
    <message>
        <source>{0} changed on disk</source>
        <translation>{0} hat sich auf der Platte geändert</translation>
    </message>
    <message>
        <source>{0}. Nothing is changed until you say so.</source>
        <translation>{0}. Nichts wird geändert, bis Sie es sagen.</translation>
    </message>
    <message>
        <source>What is in it, by layer</source>
        <translation>Was darin ist, nach Layern</translation>
    </message>
    <message>
        <source>Mostly</source>
        <translation>Meist</translation>
    </message>
    <message>
        <source>Save the report…</source>
        <translation>Den Bericht sichern…</translation>
    </message>
    <message>
        <source>Save the import report</source>
        <translation>Den Bericht der Aufnahme sichern</translation>
    </message>
    <message>
        <source>Copy it</source>
        <translation>Kopieren</translation>
    </message>
    <message>
        <source>Copy the import report</source>
        <translation>Den Bericht der Aufnahme kopieren</translation>
    </message>
    <message>
        <source>{0:,.0f} kB</source>
        <translation>{0:,.0f} kB</translation>
    </message>
    <message>
        <source>block insertion</source>
        <translation>Blockeinfügung</translation>
    </message>
    <message>
        <source>block insertions</source>
        <translation>Blockeinfügungen</translation>
    </message>
    <message>
        <source>Select its curves</source>
        <translation>Ihre Kurven auswählen</translation>
    </message>
    <message>
        <source>Replace one layer from a revised file…</source>
        <translation>Einen Layer aus einer überarbeiteten Datei ersetzen…</translation>
    </message>
    <message>
        <source>Link to another file…</source>
        <translation>Mit einer anderen Datei verknüpfen…</translation>
    </message>
    <message>
        <source>Pause the link</source>
        <translation>Die Verknüpfung ruhen lassen</translation>
    </message>
    <message>
        <source>Detach from its file</source>
        <translation>Von ihrer Datei lösen</translation>
    </message>
    <message>
        <source>Remove from the job</source>
        <translation>Aus dem Auftrag entfernen</translation>
    </message>
    <message>
        <source>Resume the link</source>
        <translation>Die Verknüpfung wieder aufnehmen</translation>
    </message>
    <message>
        <source>… and {0} more; see the report.</source>
        <translation>… und {0} weitere; siehe den Bericht.</translation>
    </message>
    <message>
        <source>No picture could be made of it.</source>
        <translation>Davon ließ sich kein Bild machen.</translation>
    </message>
    <message>
        <source>Dimensions that disagree with the drawing</source>
        <translation>Maße, die der Zeichnung widersprechen</translation>
    </message>
    <message>
        <source>{0} something else than what is drawn. Nothing moves when they are judged: what is drawn counts.</source>
        <translation>{0} etwas anderes, als gezeichnet ist. Nichts bewegt sich, wenn sie beurteilt werden: es gilt, was gezeichnet ist.</translation>
    </message>
    <message>
        <source>Dimensions that disagree</source>
        <translation>Maße, die widersprechen</translation>
    </message>
    <message>
        <source>Wrong text</source>
        <translation>Text falsch</translation>
    </message>
    <message>
        <source>The text of this dimension is wrong</source>
        <translation>Der Text dieses Maßes ist falsch</translation>
    </message>
    <message>
        <source>wrong text</source>
        <translation>Text falsch</translation>
    </message>
    <message>
        <source>Not to scale</source>
        <translation>Nicht maßstäblich</translation>
    </message>
    <message>
        <source>This dimension is not to scale</source>
        <translation>Dieses Maß ist nicht maßstäblich</translation>
    </message>
    <message>
        <source>not to scale</source>
        <translation>nicht maßstäblich</translation>
    </message>
    <message>
        <source>Open again</source>
        <translation>Wieder offen</translation>
    </message>
    <message>
        <source>Take the mark off this dimension</source>
        <translation>Die Marke von diesem Maß nehmen</translation>
    </message>
    <message>
        <source>dimension says</source>
        <translation>Maß sagt</translation>
    </message>
    <message>
        <source>dimensions say</source>
        <translation>Maße sagen</translation>
    </message>
    <message>
        <source>Text</source>
        <translation>Text</translation>
    </message>
    <message>
        <source>Says</source>
        <translation>Sagt</translation>
    </message>
    <message>
        <source>Judged</source>
        <translation>Beurteilt</translation>
    </message>
    <message>
        <source>Lower left of what goes out</source>
        <translation>Unten links von dem, was hinausgeht</translation>
    </message>
    <message>
        <source>Centre of what goes out</source>
        <translation>Mitte von dem, was hinausgeht</translation>
    </message>
    <message>
        <source>At a point, as drawn</source>
        <translation>An einem Punkt, wie gezeichnet</translation>
    </message>
    <message>
        <source>At a point, in the file's numbers</source>
        <translation>An einem Punkt, in den Zahlen der Datei</translation>
    </message>
    <message>
        <source>Centre of a circle or arc</source>
        <translation>Mitte eines Kreises oder Bogens</translation>
    </message>
    <message>
        <source>At a mark on a layer</source>
        <translation>An einer Marke auf einem Layer</translation>
    </message>
    <message>
        <source>Where the origin is</source>
        <translation>Wo der Ursprung ist</translation>
    </message>
    <message>
        <source>Layer that holds the mark</source>
        <translation>Layer mit der Marke</translation>
    </message>
    <message>
        <source>Pick…</source>
        <translation>Auswählen…</translation>
    </message>
    <message>
        <source>Pick the origin in the drawing</source>
        <translation>Den Ursprung in der Zeichnung auswählen</translation>
    </message>
    <message>
        <source>Origin</source>
        <translation>Ursprung</translation>
    </message>
    <message>
        <source>Origin X</source>
        <translation>Ursprung X</translation>
    </message>
    <message>
        <source>Origin Y</source>
        <translation>Ursprung Y</translation>
    </message>
    <message>
        <source>Origin X in the file's numbers</source>
        <translation>Ursprung X in den Zahlen der Datei</translation>
    </message>
    <message>
        <source>Origin Y in the file's numbers</source>
        <translation>Ursprung Y in den Zahlen der Datei</translation>
    </message>
    <message>
        <source>Click the point that becomes the origin; ends, middles, centres and crossings snap.</source>
        <translation>Den Punkt anklicken, der Ursprung wird; Enden, Mitten, Mittelpunkte und Kreuzungen fangen.</translation>
    </message>
    <message>
        <source>Origin here</source>
        <translation>Ursprung hier</translation>
    </message>
    <message>
        <source>Display unit</source>
        <translation>Angezeigte Einheit</translation>
    </message>
    <message>
        <source>Show lengths in</source>
        <translation>Längen zeigen in</translation>
    </message>
    <message>
        <source>Changes what you read, never the geometry.</source>
        <translation>Ändert, was Sie lesen, nie die Geometrie.</translation>
    </message>
    <message>
        <source>would be {0}</source>
        <translation>wäre {0}</translation>
    </message>
    <message>
        <source>Size as received</source>
        <translation>Größe wie erhalten</translation>
    </message>
    <message>
        <source>Size now</source>
        <translation>Größe jetzt</translation>
    </message>
    <message>
        <source>{0} should be {1}</source>
        <translation>{0} soll {1} sein</translation>
    </message>
    <message>
        <source>as in X</source>
        <translation>wie in X</translation>
    </message>
    <message>
        <source>wanted</source>
        <translation>gewünscht</translation>
    </message>
    <message>
        <source>By two points…</source>
        <translation>Mit zwei Punkten…</translation>
    </message>
    <message>
        <source>Scale by two points and the length that they should have</source>
        <translation>Mit zwei Punkten und der Länge skalieren, die sie haben sollen</translation>
    </message>
    <message>
        <source>No scaling</source>
        <translation>Nicht skalieren</translation>
    </message>
    <message>
        <source>Take the scaling back</source>
        <translation>Das Skalieren zurücknehmen</translation>
    </message>
    <message>
        <source>Length that the two points should have</source>
        <translation>Länge, die die zwei Punkte haben sollen</translation>
    </message>
    <message>
        <source>What is scaled by the two points</source>
        <translation>Was durch die zwei Punkte skaliert wird</translation>
    </message>
    <message>
        <source>The two points are {0} apart and</source>
        <translation>Die zwei Punkte liegen {0} auseinander und</translation>
    </message>
    <message>
        <source>Factor in X</source>
        <translation>Faktor in X</translation>
    </message>
    <message>
        <source>Factor in Y, if another</source>
        <translation>Faktor in Y, wenn ein anderer</translation>
    </message>
    <message>
        <source>Wanted width</source>
        <translation>Gewünschte Breite</translation>
    </message>
    <message>
        <source>Wanted height</source>
        <translation>Gewünschte Höhe</translation>
    </message>
    <message>
        <source>Width</source>
        <translation>Breite</translation>
    </message>
    <message>
        <source>Height</source>
        <translation>Höhe</translation>
    </message>
    <message>
        <source>both ways</source>
        <translation>beide Richtungen</translation>
    </message>
    <message>
        <source>X alone</source>
        <translation>nur X</translation>
    </message>
    <message>
        <source>Y alone</source>
        <translation>nur Y</translation>
    </message>
    <message>
        <source>should be</source>
        <translation>soll sein</translation>
    </message>
    <message>
        <source>Click two points whose distance you know.</source>
        <translation>Zwei Punkte anklicken, deren Abstand bekannt ist.</translation>
    </message>
    <message>
        <source>The two points have no distance that way; pick two others.</source>
        <translation>Die zwei Punkte haben in dieser Richtung keinen Abstand; bitte zwei andere wählen.</translation>
    </message>
    <message>
        <source>Second point</source>
        <translation>Zweiter Punkt</translation>
    </message>
    <message>
        <source>Origin of its file</source>
        <translation>Ursprung ihrer Datei</translation>
    </message>
    <message>
        <source>Lower left of what goes out of it</source>
        <translation>Unten links von dem, was daraus hinausgeht</translation>
    </message>
    <message>
        <source>Centre of what goes out of it</source>
        <translation>Mitte von dem, was daraus hinausgeht</translation>
    </message>
    <message>
        <source>A point of it</source>
        <translation>Ein Punkt daraus</translation>
    </message>
    <message>
        <source>Source that is placed</source>
        <translation>Quelle, die gesetzt wird</translation>
    </message>
    <message>
        <source>Place of the source that is put at X and Y</source>
        <translation>Stelle der Quelle, die nach X und Y kommt</translation>
    </message>
    <message>
        <source>Angle that the source is turned by, in degrees</source>
        <translation>Winkel, um den die Quelle gedreht wird, in Grad</translation>
    </message>
    <message>
        <source>Factor that the source is scaled by</source>
        <translation>Faktor, mit dem die Quelle skaliert wird</translation>
    </message>
    <message>
        <source>Wanted width of the source</source>
        <translation>Gewünschte Breite der Quelle</translation>
    </message>
    <message>
        <source>Pick a point of the source, and where it goes</source>
        <translation>Einen Punkt der Quelle wählen und wohin er kommt</translation>
    </message>
    <message>
        <source>Put the source back where and as large as it is drawn</source>
        <translation>Die Quelle wieder dorthin und so groß setzen, wie sie gezeichnet ist</translation>
    </message>
    <message>
        <source>Click a point of this source, then where it goes; ends, middles, centres and crossings snap.</source>
        <translation>Einen Punkt dieser Quelle anklicken, dann wohin er kommt; Enden, Mitten, Mittelpunkte und Kreuzungen fangen.</translation>
    </message>
    <message>
        <source>X that the place of the source goes to</source>
        <translation>X, wohin die Stelle der Quelle kommt</translation>
    </message>
    <message>
        <source>Y that it goes to</source>
        <translation>Y, wohin sie kommt</translation>
    </message>
    <message>
        <source>One source beside the others</source>
        <translation>Eine Quelle neben den anderen</translation>
    </message>
    <message>
        <source>goes to X</source>
        <translation>kommt nach X</translation>
    </message>
    <message>
        <source>Turned by</source>
        <translation>Gedreht um</translation>
    </message>
    <message>
        <source>Its place</source>
        <translation>Ihre Stelle</translation>
    </message>
    <message>
        <source>Point of the source</source>
        <translation>Punkt der Quelle</translation>
    </message>
    <message>
        <source>Goes here</source>
        <translation>Kommt hierher</translation>
    </message>
    <message>
        <source>Settle the unit, and the true size follows. Every clue says what it speaks for.</source>
        <translation>Die Einheit klären, und die wahre Größe folgt. Jeder Hinweis sagt, wofür er spricht.</translation>
    </message>
    <message>
        <source>Measure</source>
        <translation>Maß</translation>
    </message>
    <message>
        <source>Click the circle or arc whose centre becomes the origin.</source>
        <translation>Den Kreis oder Bogen anklicken, dessen Mitte der Ursprung wird.</translation>
    </message>
    <message>
        <source>Circle or arc</source>
        <translation>Kreis oder Bogen</translation>
    </message>
    <message>
        <source>There is no circle or arc; click on one, or on its centre.</source>
        <translation>Dort ist kein Kreis oder Bogen; auf einen klicken, oder auf seine Mitte.</translation>
    </message>
    <message>
        <source>origin</source>
        <translation>Ursprung</translation>
    </message>
    <message>
        <source>centre</source>
        <translation>Mitte</translation>
    </message>
    <message>
        <source>{0:.6g}° should be {1:.6g}°</source>
        <translation>{0:.6g}° soll {1:.6g}° sein</translation>
    </message>
    <message>
        <source>Angle to turn by, in degrees</source>
        <translation>Winkel, um den gedreht wird, in Grad</translation>
    </message>
    <message>
        <source>What is turned and mirrored about</source>
        <translation>Worum gedreht und gespiegelt wird</translation>
    </message>
    <message>
        <source>Turn by two points and the angle that they should have</source>
        <translation>Mit zwei Punkten und dem Winkel drehen, den sie haben sollen</translation>
    </message>
    <message>
        <source>Angle that the two points should have, in degrees</source>
        <translation>Winkel, den die zwei Punkte haben sollen, in Grad</translation>
    </message>
    <message>
        <source>They point to {0:.4f}°,</source>
        <translation>Sie zeigen nach {0:.4f}°,</translation>
    </message>
    <message>
        <source>Turn and mirror</source>
        <translation>Drehen und spiegeln</translation>
    </message>
    <message>
        <source>Turn by</source>
        <translation>Drehen um</translation>
    </message>
    <message>
        <source>Flip left–right</source>
        <translation>Links–rechts spiegeln</translation>
    </message>
    <message>
        <source>Mirror left and right</source>
        <translation>Links und rechts spiegeln</translation>
    </message>
    <message>
        <source>Flip top–bottom</source>
        <translation>Oben–unten spiegeln</translation>
    </message>
    <message>
        <source>Mirror top and bottom</source>
        <translation>Oben und unten spiegeln</translation>
    </message>
    <message>
        <source>Click two points whose direction you know.</source>
        <translation>Zwei Punkte anklicken, deren Richtung bekannt ist.</translation>
    </message>
    <message>
        <source>the clues speak for {0} ({1:.0%})</source>
        <translation>die Hinweise sprechen für {0} ({1:.0%})</translation>
    </message>
    <message>
        <source>Most clues speak for {0} ({1:.0%})</source>
        <translation>Die meisten Hinweise sprechen für {0} ({1:.0%})</translation>
    </message>
    <message>
        <source>Which unit is it? {0} {1}, but not this one: {2}</source>
        <translation>Welche Einheit ist es? {0} {1}, aber dieser nicht: {2}</translation>
    </message>
    <message>
        <source>Which unit is it? {0} As far as can be told, {1}.</source>
        <translation>Welche Einheit ist es? {0} Soweit sich sagen lässt, {1}.</translation>
    </message>
    <message>
        <source>Which unit is it? {0}, but {1}.</source>
        <translation>Welche Einheit ist es? {0}, aber {1}.</translation>
    </message>
    <message>
        <source>{0} at {1}</source>
        <translation>{0} bei {1}</translation>
    </message>
    <message>
        <source>Source whose unit is shown</source>
        <translation>Quelle, deren Einheit gezeigt wird</translation>
    </message>
    <message>
        <source>Take it</source>
        <translation>Nehmen</translation>
    </message>
    <message>
        <source>Take the unit that is proposed</source>
        <translation>Die vorgeschlagene Einheit nehmen</translation>
    </message>
    <message>
        <source>Units that the drawing may be in</source>
        <translation>Einheiten, in denen die Zeichnung sein kann</translation>
    </message>
    <message>
        <source>What speaks for and against the unit</source>
        <translation>Was für und gegen die Einheit spricht</translation>
    </message>
    <message>
        <source>Unit of the drawing</source>
        <translation>Einheit der Zeichnung</translation>
    </message>
    <message>
        <source>Scale that the page is drawn at</source>
        <translation>Maßstab, in dem die Seite gezeichnet ist</translation>
    </message>
    <message>
        <source>1:5 for a page that shows things at a fifth; 1/4" = 1' can be typed, too.</source>
        <translation>1:5 für eine Seite, die alles in einem Fünftel zeigt; auch 1/4" = 1' kann getippt werden.</translation>
    </message>
    <message>
        <source>The file declares {0}.</source>
        <translation>Die Datei erklärt {0}.</translation>
    </message>
    <message>
        <source>The file declares no unit.</source>
        <translation>Die Datei erklärt keine Einheit.</translation>
    </message>
    <message>
        <source>Take {0}</source>
        <translation>{0} nehmen</translation>
    </message>
    <message>
        <source>Likely</source>
        <translation>Wahrscheinlich</translation>
    </message>
    <message>
        <source>Size if so</source>
        <translation>Größe dann</translation>
    </message>
    <message>
        <source>Settled: {0}. {1}</source>
        <translation>Geklärt: {0}. {1}</translation>
    </message>
    <message>
        <source>Nothing in the drawing speaks for this unit.</source>
        <translation>Nichts in der Zeichnung spricht für diese Einheit.</translation>
    </message>
    <message>
        <source>No clue tells the units apart.</source>
        <translation>Kein Hinweis unterscheidet die Einheiten.</translation>
    </message>
    <message>
        <source>Other unit</source>
        <translation>Andere Einheit</translation>
    </message>
    <message>
        <source>Page is drawn at</source>
        <translation>Seite gezeichnet in</translation>
    </message>
    <message>
        <source>{0} The clues speak for {1} ({2:.0%}).</source>
        <translation>{0} Die Hinweise sprechen für {1} ({2:.0%}).</translation>
    </message>
    <message>
        <source>▲ for</source>
        <translation>▲ dafür</translation>
    </message>
    <message>
        <source>▽ against</source>
        <translation>▽ dagegen</translation>
    </message>
    <message>
        <source>Next finding</source>
        <translation>Nächster Befund</translation>
    </message>
    <message>
        <source>Previous finding</source>
        <translation>Voriger Befund</translation>
    </message>
    <message>
        <source>Fix this finding</source>
        <translation>Diesen Befund beheben</translation>
    </message>
    <message>
        <source>Fix all findings</source>
        <translation>Alle Befunde beheben</translation>
    </message>
    <message>
        <source>Flicker before and after</source>
        <translation>Vorher und nachher im Wechsel</translation>
    </message>
    <message>
        <source>Try every tolerance</source>
        <translation>Jede Toleranz versuchen</translation>
    </message>
    <message>
        <source>Try treatments side by side</source>
        <translation>Behandlungen nebeneinander versuchen</translation>
    </message>
    <message>
        <source>Compare with what was received</source>
        <translation>Mit dem Erhaltenen vergleichen</translation>
    </message>
    <message>
        <source>Reshape…</source>
        <translation>Umformen…</translation>
    </message>
    <message>
        <source>Save the mending report…</source>
        <translation>Den Bericht der Heilung sichern…</translation>
    </message>
    <message>
        <source>Result only</source>
        <translation>Nur Ergebnis</translation>
    </message>
    <message>
        <source>Swipe</source>
        <translation>Wischen</translation>
    </message>
    <message>
        <source>Fade</source>
        <translation>Überblenden</translation>
    </message>
    <message>
        <source>How received and result are laid over each other</source>
        <translation>Wie Erhaltenes und Ergebnis übereinander liegen</translation>
    </message>
    <message>
        <source>How much of what was received is seen</source>
        <translation>Wie viel vom Erhaltenen zu sehen ist</translation>
    </message>
    <message>
        <source>Show how far off in bands</source>
        <translation>Abweichung in Bändern</translation>
    </message>
    <message>
        <source>Largest deviations</source>
        <translation>Größte Abweichungen</translation>
    </message>
    <message>
        <source>Budget</source>
        <translation>Spielraum</translation>
    </message>
    <message>
        <source>How far anything may be off what was received</source>
        <translation>Wie weit etwas vom Erhaltenen abweichen darf</translation>
    </message>
    <message>
        <source>Compare</source>
        <translation>Vergleichen</translation>
    </message>
    <message>
        <source>Measure how far the result lies from what was received</source>
        <translation>Messen, wie weit das Ergebnis vom Erhaltenen liegt</translation>
    </message>
    <message>
        <source>Measures both ways: what was received from the result, and the result from what was received.</source>
        <translation>Misst in beide Richtungen: das Erhaltene vom Ergebnis, und das Ergebnis vom Erhaltenen.</translation>
    </message>
    <message>
        <source>The result lies where what was received lies, to {0}.</source>
        <translation>Das Ergebnis liegt dort, wo das Erhaltene liegt, auf {0} genau.</translation>
    </message>
    <message>
        <source>Nothing received lies more than {0} from the result, nothing in it more than {1} from what was received, to {2}.</source>
        <translation>Nichts Erhaltenes liegt mehr als {0} vom Ergebnis, nichts darin mehr als {1} vom Erhaltenen, auf {2} genau.</translation>
    </message>
    <message>
        <source>left out</source>
        <translation>weggelassen</translation>
    </message>
    <message>
        <source> {0} left out or made part of others.</source>
        <translation> {0} weggelassen oder in anderen aufgegangen.</translation>
    </message>
    <message>
        <source>Over it by {0}</source>
        <translation>Um {0} darüber</translation>
    </message>
    <message>
        <source>It holds.</source>
        <translation>Er wird eingehalten.</translation>
    </message>
    <message>
        <source>Curve</source>
        <translation>Kurve</translation>
    </message>
    <message>
        <source>Apart</source>
        <translation>Auseinander</translation>
    </message>
    <message>
        <source>Compare to see whether it holds.</source>
        <translation>Vergleichen, um zu sehen, ob er eingehalten wird.</translation>
    </message>
    <message>
        <source>From thin to thick: {0}.</source>
        <translation>Von dünn bis dick: {0}.</translation>
    </message>
    <message>
        <source>Nothing is off at all.</source>
        <translation>Gar nichts weicht ab.</translation>
    </message>
    <message>
        <source>Kind of finding to list</source>
        <translation>Art der Befunde in der Liste</translation>
    </message>
    <message>
        <source>Sketch whose findings are listed</source>
        <translation>Skizze, deren Befunde in der Liste stehen</translation>
    </message>
    <message>
        <source>At most</source>
        <translation>Höchstens</translation>
    </message>
    <message>
        <source>List fixes that move at most</source>
        <translation>Behebungen in der Liste, die höchstens so weit verschieben</translation>
    </message>
    <message>
        <source>any move</source>
        <translation>jede Verschiebung</translation>
    </message>
    <message>
        <source>Left ones</source>
        <translation>Belassene</translation>
    </message>
    <message>
        <source>List what was left as it is, too</source>
        <translation>Auch zeigen, was belassen wurde, wie es ist</translation>
    </message>
    <message>
        <source>Findings</source>
        <translation>Befunde</translation>
    </message>
    <message>
        <source>How the chosen finding is fixed</source>
        <translation>Wie der gewählte Befund behoben wird</translation>
    </message>
    <message>
        <source>Why the finding is left</source>
        <translation>Warum der Befund belassen wird</translation>
    </message>
    <message>
        <source>why it is meant</source>
        <translation>warum es so gemeint ist</translation>
    </message>
    <message>
        <source>Leave</source>
        <translation>Belassen</translation>
    </message>
    <message>
        <source>Leave the chosen finding as it is, with the note</source>
        <translation>Den gewählten Befund mit der Notiz belassen, wie er ist</translation>
    </message>
    <message>
        <source>Fix this one</source>
        <translation>Diesen beheben</translation>
    </message>
    <message>
        <source>Fix the chosen finding</source>
        <translation>Den gewählten Befund beheben</translation>
    </message>
    <message>
        <source>Fix all</source>
        <translation>Alle beheben</translation>
    </message>
    <message>
        <source>Flicker</source>
        <translation>Wechsel</translation>
    </message>
    <message>
        <source>Show the chosen finding before and after its fix, by turns</source>
        <translation>Den gewählten Befund im Wechsel vor und nach seiner Behebung zeigen</translation>
    </message>
    <message>
        <source>All kinds ({0})</source>
        <translation>Alle Arten ({0})</translation>
    </message>
    <message>
        <source>All sketches</source>
        <translation>Alle Skizzen</translation>
    </message>
    <message>
        <source> Fix ({0:.0%} sure): {1}{2}.</source>
        <translation> Behebung ({0:.0%} sicher): {1}{2}.</translation>
    </message>
    <message>
        <source> No fix on offer.</source>
        <translation> Keine Behebung im Angebot.</translation>
    </message>
    <message>
        <source>{0}{1}
At {2}; curves {3}</source>
        <translation>{0}{1}
Bei {2}; Kurven {3}</translation>
    </message>
    <message>
        <source>Next</source>
        <translation>Weiter</translation>
    </message>
    <message>
        <source>Take up</source>
        <translation>Aufnehmen</translation>
    </message>
    <message>
        <source>Fix these {0}</source>
        <translation>Diese {0} beheben</translation>
    </message>
    <message>
        <source>No finding chosen.</source>
        <translation>Kein Befund gewählt.</translation>
    </message>
    <message>
        <source>{0} Left as it is. {1}
At {2}</source>
        <translation>{0} Belassen, wie er ist. {1}
Bei {2}</translation>
    </message>
    <message>
        <source>No fix on offer</source>
        <translation>Keine Behebung im Angebot</translation>
    </message>
    <message>
        <source>Finding</source>
        <translation>Befund</translation>
    </message>
    <message>
        <source>Moves</source>
        <translation>Verschiebt</translation>
    </message>
    <message>
        <source>{0} curves, depth {1}</source>
        <translation>{0} Kurven, Tiefe {1}</translation>
    </message>
    <message>
        <source>Findings and regions</source>
        <translation>Befunde und Flächen</translation>
    </message>
    <message>
        <source>Closed regions</source>
        <translation>Geschlossene Flächen</translation>
    </message>
    <message>
        <source>Largest gap</source>
        <translation>Größte Lücke</translation>
    </message>
    <message>
        <source>Largest gap that is closed</source>
        <translation>Größte Lücke, die geschlossen wird</translation>
    </message>
    <message>
        <source>Use proposed</source>
        <translation>Vorschlag nehmen</translation>
    </message>
    <message>
        <source>Use the proposed tolerance</source>
        <translation>Die vorgeschlagene Toleranz nehmen</translation>
    </message>
    <message>
        <source>Proposed: {0}. {1}</source>
        <translation>Vorschlag: {0}. {1}</translation>
    </message>
    <message>
        <source>Stopped; Shift+F5 looks again.</source>
        <translation>Angehalten; Umschalt+F5 sieht noch einmal nach.</translation>
    </message>
    <message>
        <source>Looking for faults…</source>
        <translation>Es wird nach Fehlern gesucht…</translation>
    </message>
    <message>
        <source>{0} can be fixed within the tolerance.</source>
        <translation>{0} lassen sich innerhalb der Toleranz beheben.</translation>
    </message>
    <message>
        <source>{0} needs your eye.</source>
        <translation>{0} braucht Ihr Auge.</translation>
    </message>
    <message>
        <source>{0} need your eye.</source>
        <translation>{0} brauchen Ihr Auge.</translation>
    </message>
    <message>
        <source>Nothing is wrong.</source>
        <translation>Nichts ist falsch.</translation>
    </message>
    <message>
        <source>{0} is worth a look.</source>
        <translation>{0} ist einen Blick wert.</translation>
    </message>
    <message>
        <source>{0} are worth a look.</source>
        <translation>{0} sind einen Blick wert.</translation>
    </message>
    <message>
        <source>In sketch</source>
        <translation>In Skizze</translation>
    </message>
    <message>
        <source>Area</source>
        <translation>Inhalt</translation>
    </message>
    <message>
        <source>closed region</source>
        <translation>geschlossene Fläche</translation>
    </message>
    <message>
        <source>closed regions</source>
        <translation>geschlossene Flächen</translation>
    </message>
    <message>
        <source>open end</source>
        <translation>offenes Ende</translation>
    </message>
    <message>
        <source>open ends</source>
        <translation>offene Enden</translation>
    </message>
    <message>
        <source>as it is</source>
        <translation>wie er ist</translation>
    </message>
    <message>
        <source>Facets to arcs</source>
        <translation>Facetten zu Bögen</translation>
    </message>
    <message>
        <source>Runs of short straight pieces become the arcs and circles that they stand for. No end of a run moves.</source>
        <translation>Züge kurzer gerader Stücke werden die Bögen und Kreise, für die sie stehen. Kein Ende eines Zuges bewegt sich.</translation>
    </message>
    <message>
        <source>A facet leaves its arc by</source>
        <translation>Eine Facette verlässt ihren Bogen um</translation>
    </message>
    <message>
        <source>Splines and ellipses to arcs</source>
        <translation>Splines und Ellipsen zu Bögen</translation>
    </message>
    <message>
        <source>Each becomes a run of tangent arcs. Its ends stay where they are.</source>
        <translation>Jede wird ein Zug tangentialer Bögen. Ihre Enden bleiben, wo sie sind.</translation>
    </message>
    <message>
        <source>They lie off by at most</source>
        <translation>Sie weichen höchstens ab um</translation>
    </message>
    <message>
        <source>Tangents made true</source>
        <translation>Tangenten richtig machen</translation>
    </message>
    <message>
        <source>Rounded corners between lines are rounded anew with their radius; other arcs are bent to run on.</source>
        <translation>Verrundete Ecken zwischen Linien werden mit ihrem Radius neu verrundet; andere Bögen werden gebogen, bis sie anschließen.</translation>
    </message>
    <message>
        <source>Nothing moves by more than</source>
        <translation>Nichts bewegt sich um mehr als</translation>
    </message>
    <message>
        <source>Square up</source>
        <translation>Rechtwinklig machen</translation>
    </message>
    <message>
        <source>What is nearly horizontal, vertical, equal or concentric becomes exactly so.</source>
        <translation>Was fast waagrecht, senkrecht, gleich oder konzentrisch ist, wird es genau.</translation>
    </message>
    <message>
        <source>Simplify</source>
        <translation>Vereinfachen</translation>
    </message>
    <message>
        <source>Vertices that hardly count go from straight runs, and arcs of one circle become one.</source>
        <translation>Ecken, die kaum zählen, fallen aus geraden Zügen, und Bögen eines Kreises werden einer.</translation>
    </message>
    <message>
        <source>The result lies off by at most</source>
        <translation>Das Ergebnis weicht höchstens ab um</translation>
    </message>
    <message>
        <source>Leave out every second vertex</source>
        <translation>Jede zweite Ecke weglassen</translation>
    </message>
    <message>
        <source>Straight runs lose every second vertex, whatever that comes to. Look first.</source>
        <translation>Gerade Züge verlieren jede zweite Ecke, was dabei auch herauskommt. Erst ansehen.</translation>
    </message>
    <message>
        <source>What is reshaped</source>
        <translation>Was umgeformt wird</translation>
    </message>
    <message>
        <source>How far it may lie off</source>
        <translation>Wie weit es abweichen darf</translation>
    </message>
    <message>
        <source>A vertex lies off its arc by</source>
        <translation>Eine Ecke liegt neben ihrem Bogen um</translation>
    </message>
    <message>
        <source>How far a vertex may lie off its arc</source>
        <translation>Wie weit eine Ecke neben ihrem Bogen liegen darf</translation>
    </message>
    <message>
        <source>Look</source>
        <translation>Ansehen</translation>
    </message>
    <message>
        <source>Look what that would do, without changing anything</source>
        <translation>Ansehen, was das täte, ohne etwas zu ändern</translation>
    </message>
    <message>
        <source>Horizontal and vertical</source>
        <translation>Waagrecht und senkrecht</translation>
    </message>
    <message>
        <source>Equal circles</source>
        <translation>Gleiche Kreise</translation>
    </message>
    <message>
        <source>Concentric circles</source>
        <translation>Konzentrische Kreise</translation>
    </message>
    <message>
        <source>Looking…</source>
        <translation>Es wird nachgesehen…</translation>
    </message>
    <message>
        <source>{0} Nothing would be off by more than {1}.</source>
        <translation>{0} Nichts wiche um mehr als {1} ab.</translation>
    </message>
    <message>
        <source>Choose a finding to see it; fix it, or all of them. Each fix says how far it moves anything.</source>
        <translation>Einen Befund wählen, um ihn zu sehen; ihn beheben, oder alle. Jede Behebung sagt, wie weit sie etwas verschiebt.</translation>
    </message>
    <message>
        <source>Mend</source>
        <translation>Heilung</translation>
    </message>
    <message>
        <source>{0} open</source>
        <translation>{0} offen</translation>
    </message>
    <message>
        <source>no findings</source>
        <translation>keine Befunde</translation>
    </message>
    <message>
        <source>Solid: regions closed.  Dashed: open ends.  Dotted: curves that would be lost, for they are smaller.</source>
        <translation>Durchgezogen: geschlossene Flächen.  Gestrichelt: offene Enden.  Gepunktet: Kurven, die verloren gingen, weil sie kleiner sind.</translation>
    </message>
    <message>
        <source>Heal a copy at every tolerance and count</source>
        <translation>Eine Kopie bei jeder Toleranz heilen und zählen</translation>
    </message>
    <message>
        <source>A copy is healed at every tolerance up to 5 mm; nothing is changed. Click in the plot to take one.</source>
        <translation>Eine Kopie wird bei jeder Toleranz bis 5 mm geheilt; nichts wird geändert. In das Bild klicken, um eine zu nehmen.</translation>
    </message>
    <message>
        <source>1 curve is</source>
        <translation>1 Kurve ist</translation>
    </message>
    <message>
        <source>{0} curves are</source>
        <translation>{0} Kurven sind</translation>
    </message>
    <message>
        <source>{0} smaller than this tolerance and would be lost.</source>
        <translation>{0} kleiner als diese Toleranz und ginge verloren.</translation>
    </message>
    <message>
        <source>No curve would be lost.</source>
        <translation>Keine Kurve ginge verloren.</translation>
    </message>
    <message>
        <source>{0}{1}
{2}, {3} open
{4}, {5} left
off {6}, {7:.1f} s</source>
        <translation>{0}{1}
{2}, {3} offen
{4}, {5} übrig
daneben {6}, {7:.1f} s</translation>
    </message>
    <message>
        <source>Trials</source>
        <translation>Versuche</translation>
    </message>
    <message>
        <source>Try treatments</source>
        <translation>Behandlungen versuchen</translation>
    </message>
    <message>
        <source>Try several treatments, each on a copy</source>
        <translation>Mehrere Behandlungen versuchen, jede an einer Kopie</translation>
    </message>
    <message>
        <source>Take this one</source>
        <translation>Diesen nehmen</translation>
    </message>
    <message>
        <source>Take the chosen trial</source>
        <translation>Den gewählten Versuch nehmen</translation>
    </message>
    <message>
        <source>fix</source>
        <translation>Behebung</translation>
    </message>
    <message>
        <source>fixes</source>
        <translation>Behebungen</translation>
    </message>
    <message>
        <source>fault</source>
        <translation>Fehler</translation>
    </message>
    <message>
        <source>faults</source>
        <translation>Fehler</translation>
    </message>
    <message>
        <source>Tries the proposed tolerance and others, bridges, arcs for facets, each on a copy; nothing is changed.</source>
        <translation>Versucht die vorgeschlagene Toleranz und andere, Brücken und Bögen statt Facetten, jedes an einer Kopie; nichts wird geändert.</translation>
    </message>
    <message>
        <source>Choose one to take it. Figures are of the whole job after each treatment.</source>
        <translation>Einen wählen, um ihn zu nehmen. Die Zahlen gelten für den ganzen Auftrag nach jeder Behandlung.</translation>
    </message>
    <message>
        <source>Takes: {0}. It replaces the steps that mend everything now.</source>
        <translation>Nimmt: {0}. Das ersetzt die Schritte, die jetzt alles heilen.</translation>
    </message>
    <message>
        <source>Take the trial: {0}</source>
        <translation>Den Versuch nehmen: {0}</translation>
    </message>
    <message>
        <source>Group curves by</source>
        <translation>Kurven gruppieren nach</translation>
    </message>
    <message>
        <source>Search in the groups</source>
        <translation>In den Gruppen suchen</translation>
    </message>
    <message>
        <source>Groups of curves</source>
        <translation>Gruppen von Kurven</translation>
    </message>
    <message>
        <source>What is no geometry…</source>
        <translation>Was keine Geometrie ist…</translation>
    </message>
    <message>
        <source>Leave out what is not geometry</source>
        <translation>Weglassen, was keine Geometrie ist</translation>
    </message>
    <message>
        <source>What is not geometry, with the reason</source>
        <translation>Was keine Geometrie ist, mit dem Grund</translation>
    </message>
    <message>
        <source>Leave these out</source>
        <translation>Diese weglassen</translation>
    </message>
    <message>
        <source>1 sketch</source>
        <translation>1 Skizze</translation>
    </message>
    <message>
        <source>{0} sketches</source>
        <translation>{0} Skizzen</translation>
    </message>
    <message>
        <source>{0} with {1} of {2} curves.</source>
        <translation>{0} mit {1} von {2} Kurven.</translation>
    </message>
    <message>
        <source>, hidden by its author</source>
        <translation>, vom Verfasser verborgen</translation>
    </message>
    <message>
        <source>by {0}</source>
        <translation>nach {0}</translation>
    </message>
    <message>
        <source>Taken</source>
        <translation>Genommen</translation>
    </message>
    <message>
        <source>Length</source>
        <translation>Länge</translation>
    </message>
    <message>
        <source>Select</source>
        <translation>Auswählen</translation>
    </message>
    <message>
        <source>Select the curves of this group</source>
        <translation>Die Kurven dieser Gruppe auswählen</translation>
    </message>
    <message>
        <source>Hide the curves of this group for now</source>
        <translation>Die Kurven dieser Gruppe vorläufig verbergen</translation>
    </message>
    <message>
        <source>Solo</source>
        <translation>Allein</translation>
    </message>
    <message>
        <source>Show only the curves of this group</source>
        <translation>Nur die Kurven dieser Gruppe zeigen</translation>
    </message>
    <message>
        <source>Show all</source>
        <translation>Alle zeigen</translation>
    </message>
    <message>
        <source>Show everything again</source>
        <translation>Wieder alles zeigen</translation>
    </message>
    <message>
        <source>a layer</source>
        <translation>je Layer</translation>
    </message>
    <message>
        <source>Make a sketch of each layer</source>
        <translation>Aus jedem Layer eine Skizze machen</translation>
    </message>
    <message>
        <source>a colour</source>
        <translation>je Farbe</translation>
    </message>
    <message>
        <source>Make a sketch of each colour</source>
        <translation>Aus jeder Farbe eine Skizze machen</translation>
    </message>
    <message>
        <source>all in one</source>
        <translation>alle in eine</translation>
    </message>
    <message>
        <source>Put everything into one sketch</source>
        <translation>Alles in eine Skizze bringen</translation>
    </message>
    <message>
        <source>A sketch</source>
        <translation>Eine Skizze</translation>
    </message>
    <message>
        <source>as in file</source>
        <translation>wie in der Datei</translation>
    </message>
    <message>
        <source>Take the layers that the file shows</source>
        <translation>Die Layer nehmen, die die Datei zeigt</translation>
    </message>
    <message>
        <source>Cancel</source>
        <translation>Abbrechen</translation>
    </message>
    <message>
        <source>Leave everything as it is</source>
        <translation>Alles lassen, wie es ist</translation>
    </message>
    <message>
        <source>{0} are no geometry that is to be made. They are selected in the drawing.</source>
        <translation>{0} sind keine Geometrie, die gefertigt wird. Sie sind in der Zeichnung ausgewählt.</translation>
    </message>
    <message>
        <source>Everything that is taken looks like geometry.</source>
        <translation>Alles Genommene sieht nach Geometrie aus.</translation>
    </message>
    <message>
        <source>the border of the sheet</source>
        <translation>der Rand des Blattes</translation>
    </message>
    <message>
        <source>its own</source>
        <translation>eine eigene</translation>
    </message>
    <message>
        <source>Goes to {0}</source>
        <translation>Kommt in {0}</translation>
    </message>
    <message>
        <source>Pick what is connected</source>
        <translation>Auswählen, was zusammenhängt</translation>
    </message>
    <message>
        <source>Pick the closed loop</source>
        <translation>Den geschlossenen Zug auswählen</translation>
    </message>
    <message>
        <source>Invert what is picked</source>
        <translation>Die Auswahl umkehren</translation>
    </message>
    <message>
        <source>Draw a lasso</source>
        <translation>Ein Lasso ziehen</translation>
    </message>
    <message>
        <source>Put what is picked aside</source>
        <translation>Das Ausgewählte beiseitelegen</translation>
    </message>
    <message>
        <source>What came in, rules, sketches, and what is picked</source>
        <translation>Was hereinkam, Regeln, Skizzen und was ausgewählt ist</translation>
    </message>
    <message>
        <source>Sketches ({0})</source>
        <translation>Skizzen ({0})</translation>
    </message>
    <message>
        <source>Came in</source>
        <translation>Herein</translation>
    </message>
    <message>
        <source>Rules</source>
        <translation>Regeln</translation>
    </message>
    <message>
        <source>Picked</source>
        <translation>Auswahl</translation>
    </message>
    <message>
        <source>Chain</source>
        <translation>Kette</translation>
    </message>
    <message>
        <source>Pick all that is connected</source>
        <translation>Alles auswählen, was zusammenhängt</translation>
    </message>
    <message>
        <source>Loop</source>
        <translation>Zug</translation>
    </message>
    <message>
        <source>Pick the shortest closed loop</source>
        <translation>Den kürzesten geschlossenen Zug auswählen</translation>
    </message>
    <message>
        <source>Lasso</source>
        <translation>Lasso</translation>
    </message>
    <message>
        <source>Draw round what is to be picked</source>
        <translation>Umfahren, was ausgewählt werden soll</translation>
    </message>
    <message>
        <source>Invert</source>
        <translation>Umkehren</translation>
    </message>
    <message>
        <source>Pick what is not picked</source>
        <translation>Auswählen, was nicht ausgewählt ist</translation>
    </message>
    <message>
        <source>What curves must have in common with those that are picked</source>
        <translation>Was Kurven mit den ausgewählten gemeinsam haben müssen</translation>
    </message>
    <message>
        <source>Pick</source>
        <translation>Auswählen</translation>
    </message>
    <message>
        <source>Pick all that have this in common</source>
        <translation>Alle auswählen, die das gemeinsam haben</translation>
    </message>
    <message>
        <source>circles under 3 mm, lines on NOTES…</source>
        <translation>circles under 3 mm, lines on NOTES…</translation>
    </message>
    <message>
        <source>Pick by words</source>
        <translation>Mit Worten auswählen</translation>
    </message>
    <message>
        <source>A kind (lines, arcs, circles, closed, open…), a bound (under, over, of, between … and …; “radius” before it for arcs) and “on” with a layer, each of which can be left out.</source>
        <translation>Eine Art (lines, arcs, circles, closed, open…), eine Grenze (under, over, of, between … and …; davor „radius“ für Bögen) und „on“ mit einem Layer; jedes davon kann fehlen.</translation>
    </message>
    <message>
        <source>Pick by these words</source>
        <translation>Nach diesen Worten auswählen</translation>
    </message>
    <message>
        <source>Sketch that picked curves go to</source>
        <translation>Skizze, in die ausgewählte Kurven kommen</translation>
    </message>
    <message>
        <source>Show what is put aside</source>
        <translation>Zeigen, was beiseitegelegt ist</translation>
    </message>
    <message>
        <source>Bring all back</source>
        <translation>Zurückholen</translation>
    </message>
    <message>
        <source>Bring back everything that was put aside</source>
        <translation>Alles Beiseitegelegte zurückholen</translation>
    </message>
    <message>
        <source>Put aside</source>
        <translation>Beiseite</translation>
    </message>
    <message>
        <source>Choose a meaning, or type one of your own; it is remembered.</source>
        <translation>Eine Bedeutung wählen, oder eine eigene tippen; sie wird gemerkt.</translation>
    </message>
    <message>
        <source>Give</source>
        <translation>Geben</translation>
    </message>
    <message>
        <source>Give this role to what is picked</source>
        <translation>Dem Ausgewählten diese Rolle geben</translation>
    </message>
    <message>
        <source>Take this role from what is picked</source>
        <translation>Dem Ausgewählten diese Rolle nehmen</translation>
    </message>
    <message>
        <source>Forget</source>
        <translation>Vergessen</translation>
    </message>
    <message>
        <source>Take this role off the list</source>
        <translation>Diese Rolle von der Liste nehmen</translation>
    </message>
    <message>
        <source>Style…</source>
        <translation>Linienart…</translation>
    </message>
    <message>
        <source>How this role goes out: colour, weight, line type, layer</source>
        <translation>Wie diese Rolle hinausgeht: Farbe, Strichstärke, Linienart, Layer</translation>
    </message>
    <message>
        <source>name of the group</source>
        <translation>Name der Gruppe</translation>
    </message>
    <message>
        <source>Name of the group</source>
        <translation>Name der Gruppe</translation>
    </message>
    <message>
        <source>Group…</source>
        <translation>Gruppieren…</translation>
    </message>
    <message>
        <source>Make a group of what is picked, with a base point</source>
        <translation>Aus dem Ausgewählten eine Gruppe machen, mit einem Bezugspunkt</translation>
    </message>
    <message>
        <source>Groups</source>
        <translation>Gruppen</translation>
    </message>
    <message>
        <source> Roles: {0}.</source>
        <translation> Rollen: {0}.</translation>
    </message>
    <message>
        <source>{0} picked, {1} in all.{2}</source>
        <translation>{0} ausgewählt, zusammen {1}.{2}</translation>
    </message>
    <message>
        <source>all of the same {0}</source>
        <translation>alle mit gleichem Merkmal: {0}</translation>
    </message>
    <message>
        <source>Nothing is picked: click curves in the drawing, or draw a window round them.</source>
        <translation>Nichts ist ausgewählt: Kurven in der Zeichnung anklicken, oder ein Fenster um sie ziehen.</translation>
    </message>
    <message>
        <source>Type a name for the group.</source>
        <translation>Einen Namen für die Gruppe tippen.</translation>
    </message>
    <message>
        <source>Choose a group first.</source>
        <translation>Zuerst eine Gruppe wählen.</translation>
    </message>
    <message>
        <source>Nothing is picked: click, or draw a window or lasso.</source>
        <translation>Nichts ist ausgewählt: klicken, oder ein Fenster oder Lasso ziehen.</translation>
    </message>
    <message>
        <source>Show {0} aside</source>
        <translation>{0} beiseite</translation>
    </message>
    <message>
        <source>Nothing aside</source>
        <translation>Nichts beiseite</translation>
    </message>
    <message>
        <source>Move there</source>
        <translation>Dorthin</translation>
    </message>
    <message>
        <source>Move what is picked to this sketch</source>
        <translation>Das Ausgewählte in diese Skizze bringen</translation>
    </message>
    <message>
        <source>Move…</source>
        <translation>Verschieben…</translation>
    </message>
    <message>
        <source>Move the group by its base point</source>
        <translation>Die Gruppe an ihrem Bezugspunkt verschieben</translation>
    </message>
    <message>
        <source>Copy…</source>
        <translation>Kopieren…</translation>
    </message>
    <message>
        <source>Put a copy of the group down</source>
        <translation>Eine Kopie der Gruppe ablegen</translation>
    </message>
    <message>
        <source>Take apart</source>
        <translation>Auflösen</translation>
    </message>
    <message>
        <source>Take the group apart</source>
        <translation>Die Gruppe auflösen</translation>
    </message>
    <message>
        <source>How “{0}” goes out</source>
        <translation>Wie „{0}“ hinausgeht</translation>
    </message>
    <message>
        <source>Line weight of the role</source>
        <translation>Strichstärke der Rolle</translation>
    </message>
    <message>
        <source>Line type of the role</source>
        <translation>Linienart der Rolle</translation>
    </message>
    <message>
        <source>Layer of the role</source>
        <translation>Layer der Rolle</translation>
    </message>
    <message>
        <source>sketch and role</source>
        <translation>Skizze und Rolle</translation>
    </message>
    <message>
        <source>Colour of the role</source>
        <translation>Farbe der Rolle</translation>
    </message>
    <message>
        <source>Colour of “{0}”</source>
        <translation>Farbe von „{0}“</translation>
    </message>
    <message>
        <source>Colour</source>
        <translation>Farbe</translation>
    </message>
    <message>
        <source>Weight</source>
        <translation>Stärke</translation>
    </message>
    <message>
        <source>Line type</source>
        <translation>Linienart</translation>
    </message>
    <message>
        <source>As the sketch…</source>
        <translation>Wie die Skizze…</translation>
    </message>
    <message>
        <source>to be made</source>
        <translation>zu fertigen</translation>
    </message>
    <message>
        <source>as construction</source>
        <translation>als Hilfslinien</translation>
    </message>
    <message>
        <source>as reference</source>
        <translation>als Bezug</translation>
    </message>
    <message>
        <source>The first rule that fits a curve counts. In names * and ? stand for what may differ.</source>
        <translation>Die erste Regel, die auf eine Kurve passt, zählt. In Namen stehen * und ? für das, was anders sein darf.</translation>
    </message>
    <message>
        <source>Rules, the first that fits counts</source>
        <translation>Regeln; die erste, die passt, zählt</translation>
    </message>
    <message>
        <source>Property that the rule looks at</source>
        <translation>Eigenschaft, auf die die Regel sieht</translation>
    </message>
    <message>
        <source>Which curves are meant</source>
        <translation>Welche Kurven gemeint sind</translation>
    </message>
    <message>
        <source>Sketch that they go to</source>
        <translation>Skizze, in die sie kommen</translation>
    </message>
    <message>
        <source>A name, or {layer}, {colour}, {line type}, {weight}, {block} or {kind} for one of each.</source>
        <translation>Ein Name, oder {layer}, {colour}, {line type}, {weight}, {block} oder {kind} für je eine.</translation>
    </message>
    <message>
        <source>What they go as</source>
        <translation>Als was sie gehen</translation>
    </message>
    <message>
        <source>Add rule</source>
        <translation>Regel dazu</translation>
    </message>
    <message>
        <source>Add this rule</source>
        <translation>Diese Regel hinzufügen</translation>
    </message>
    <message>
        <source>Try the rule earlier</source>
        <translation>Die Regel früher versuchen</translation>
    </message>
    <message>
        <source>Try the rule later</source>
        <translation>Die Regel später versuchen</translation>
    </message>
    <message>
        <source>Remove the chosen rule</source>
        <translation>Die gewählte Regel entfernen</translation>
    </message>
    <message>
        <source>Remove all</source>
        <translation>Alle entfernen</translation>
    </message>
    <message>
        <source>Remove all rules</source>
        <translation>Alle Regeln entfernen</translation>
    </message>
    <message>
        <source>goes to</source>
        <translation>kommt in</translation>
    </message>
    <message>
        <source>as</source>
        <translation>als</translation>
    </message>
    <message>
        <source>Say which curves are meant, and to which sketch they go.</source>
        <translation>Sagen, welche Kurven gemeint sind und in welche Skizze sie kommen.</translation>
    </message>
    <message>
        <source>No curve has “{0}”; choose one of the list.</source>
        <translation>Keine Kurve hat „{0}“; bitte etwas aus der Liste wählen.</translation>
    </message>
    <message>
        <source>, as {0}</source>
        <translation>, als {0}</translation>
    </message>
    <message>
        <source>construction</source>
        <translation>Hilfslinien</translation>
    </message>
    <message>
        <source>reference</source>
        <translation>Bezug</translation>
    </message>
    <message>
        <source>Sketches, in the order in which they go out</source>
        <translation>Skizzen, in der Reihenfolge, in der sie hinausgehen</translation>
    </message>
    <message>
        <source>Drag to reorder; double-click or F2 to rename; Ctrl chooses several.</source>
        <translation>Ziehen ordnet um; Doppelklick oder F2 benennt um; Strg wählt mehrere.</translation>
    </message>
    <message>
        <source>What the sketch is for</source>
        <translation>Wozu die Skizze da ist</translation>
    </message>
    <message>
        <source>Nothing in a locked sketch is moved, mended or given away.</source>
        <translation>Nichts in einer gesperrten Skizze wird bewegt, geheilt oder weggegeben.</translation>
    </message>
    <message>
        <source>Plane of the sketch</source>
        <translation>Ebene der Skizze</translation>
    </message>
    <message>
        <source>Notes on the sketch</source>
        <translation>Notizen zur Skizze</translation>
    </message>
    <message>
        <source>Colour of the sketch</source>
        <translation>Farbe der Skizze</translation>
    </message>
    <message>
        <source>Line weight for output</source>
        <translation>Strichstärke der Ausgabe</translation>
    </message>
    <message>
        <source>Line type for output</source>
        <translation>Linienart der Ausgabe</translation>
    </message>
    <message>
        <source>Layer name for output</source>
        <translation>Layername der Ausgabe</translation>
    </message>
    <message>
        <source>as sketch</source>
        <translation>wie die Skizze</translation>
    </message>
    <message>
        <source>Move the sketch up</source>
        <translation>Die Skizze nach oben</translation>
    </message>
    <message>
        <source>Move the sketch down</source>
        <translation>Die Skizze nach unten</translation>
    </message>
    <message>
        <source>Merge</source>
        <translation>Vereinen</translation>
    </message>
    <message>
        <source>Merge the chosen sketches into the first of them</source>
        <translation>Die gewählten Skizzen in der ersten vereinen</translation>
    </message>
    <message>
        <source>Duplicate the sketch</source>
        <translation>Die Skizze verdoppeln</translation>
    </message>
    <message>
        <source>Delete</source>
        <translation>Löschen</translation>
    </message>
    <message>
        <source>Delete the sketch; its curves are put aside</source>
        <translation>Die Skizze löschen; ihre Kurven werden beiseitegelegt</translation>
    </message>
    <message>
        <source>Offset of the plane</source>
        <translation>Versatz der Ebene</translation>
    </message>
    <message>
        <source>Turn of the sketch in its plane</source>
        <translation>Drehung der Skizze in ihrer Ebene</translation>
    </message>
    <message>
        <source>It is</source>
        <translation>Sie ist</translation>
    </message>
    <message>
        <source>There is a sketch “{0}” already; “{1}” keeps its name. Choose another name.</source>
        <translation>Eine Skizze „{0}“ gibt es schon; „{1}“ behält ihren Namen. Bitte einen anderen wählen.</translation>
    </message>
    <message>
        <source>Choose two sketches or more to merge; Ctrl chooses several.</source>
        <translation>Zwei oder mehr Skizzen wählen, um sie zu vereinen; Strg wählt mehrere.</translation>
    </message>
    <message>
        <source>{0} curves, {1} plane. {2}</source>
        <translation>{0} Kurven, Ebene {1}. {2}</translation>
    </message>
    <message>
        <source>{0} copy {1}</source>
        <translation>{0} Kopie {1}</translation>
    </message>
    <message>
        <source>Curves go to sketches: by layer, colour or line type, by rules of your own, or by hand.</source>
        <translation>Kurven kommen in Skizzen: nach Layer, Farbe oder Linienart, nach eigenen Regeln, oder von Hand.</translation>
    </message>
    <message>
        <source>Route</source>
        <translation>Zuordnung</translation>
    </message>
    <message>
        <source>Click the base point of the group, by which it is moved and copied.</source>
        <translation>Den Bezugspunkt der Gruppe anklicken, an dem sie verschoben und kopiert wird.</translation>
    </message>
    <message>
        <source>circles under 2 in on CONTROL-BOX</source>
        <translation>circles under 2 in on CONTROL-BOX</translation>
    </message>
    <message>
        <source>{0} found.</source>
        <translation>{0} gefunden.</translation>
    </message>
    <message>
        <source>Click where the base point of the copy goes.</source>
        <translation>Dorthin klicken, wohin der Bezugspunkt der Kopie kommt.</translation>
    </message>
    <message>
        <source>Click where the base point goes.</source>
        <translation>Dorthin klicken, wohin der Bezugspunkt kommt.</translation>
    </message>
    <message>
        <source>Draw round what is to be picked. Escape gives up.</source>
        <translation>Umfahren, was ausgewählt werden soll. Esc gibt auf.</translation>
    </message>
    <message>
        <source>Pick a curve first.</source>
        <translation>Zuerst eine Kurve auswählen.</translation>
    </message>
    <message>
        <source>What is put aside is drawn dashed; click it to bring it back.</source>
        <translation>Beiseitegelegtes ist gestrichelt; ein Klick holt es zurück.</translation>
    </message>
    <message>
        <source>Base point</source>
        <translation>Bezugspunkt</translation>
    </message>
    <message>
        <source>Base point here</source>
        <translation>Bezugspunkt hier</translation>
    </message>
    <message>
        <source>Dismiss</source>
        <translation>Schließen</translation>
    </message>
    <message>
        <source>Dismiss the message</source>
        <translation>Die Meldung schließen</translation>
    </message>
    <message>
        <source>This is not a number that fits here.</source>
        <translation>Das ist keine Zahl, die hier passt.</translation>
    </message>
    <message>
        <source>This is not a length that fits here.</source>
        <translation>Das ist keine Länge, die hier passt.</translation>
    </message>
    <message>
        <source>{0}: a number, or with a unit: 12mm, 3/8in, 2' 8 1/2"</source>
        <translation>{0}: eine Zahl, oder mit einer Einheit: 12mm, 3/8in, 2' 8 1/2"</translation>
    </message>
    <message>
        <source>default</source>
        <translation>Vorgabe</translation>
    </message>
    <message>
        <source>hairline 0.001 in</source>
        <translation>Haarlinie 0,001 in</translation>
    </message>
    <message>
        <source>0.13 mm</source>
        <translation>0,13 mm</translation>
    </message>
    <message>
        <source>0.25 mm</source>
        <translation>0,25 mm</translation>
    </message>
    <message>
        <source>0.35 mm</source>
        <translation>0,35 mm</translation>
    </message>
    <message>
        <source>0.5 mm</source>
        <translation>0,5 mm</translation>
    </message>
    <message>
        <source>0.7 mm</source>
        <translation>0,7 mm</translation>
    </message>
    <message>
        <source>continuous</source>
        <translation>durchgezogen</translation>
    </message>
    <message>
        <source>{0:g} mm</source>
        <translation>{0:g} mm</translation>
    </message>
    <message>
        <source>Tolerance sweep</source>
        <translation>Toleranzen</translation>
    </message>
    <message>
        <source>150, 6in, d1/2 - 3mm. Up, Down or the wheel step it: Ctrl by ten, Shift by a tenth.</source>
        <translation>150, 6in, d1/2 - 3mm. Pfeile oder Rad ändern es schrittweise: Strg um zehn, Umschalt um ein Zehntel.</translation>
    </message>
    <message>
        <source>150, 6in, d1/2 - 3mm</source>
        <translation>150, 6in, d1/2 - 3mm</translation>
    </message>
    <message>
        <source>Language of the system</source>
        <translation>Sprache des Systems</translation>
    </message>
    <message>
        <source>The language changes when Syntaxa is opened again.</source>
        <translation>Die Sprache ändert sich, wenn Syntaxa wieder geöffnet wird.</translation>
    </message>
    <message>
        <source> to the inch)</source>
        <translation> je Zoll)</translation>
    </message>
    <message>
        <source>at </source>
        <translation>zu </translation>
    </message>
    <message>
        <source>apart</source>
        <translation>Abstand</translation>
    </message>
    <message>
        <source>Scale curves to {0:.9g} mm wide</source>
        <translation>Kurven auf {0:.9g} mm Breite skalieren</translation>
    </message>
    <message>
        <source>Scale curves to {0:.9g} mm high</source>
        <translation>Kurven auf {0:.9g} mm Höhe skalieren</translation>
    </message>
    <message>
        <source>notes</source>
        <translation>Notizen</translation>
    </message>
    <message>
        <source>about</source>
        <translation>um</translation>
    </message>
    <message>
        <source>Sweep</source>
        <translation>Reihe</translation>
    </message>
    <message>
        <source>Reshape</source>
        <translation>Umformen</translation>
    </message>
    <message>
        <source>wrong</source>
        <translation>falsch</translation>
    </message>
    <message>
        <source>note</source>
        <translation>Hinweis</translation>
    </message>
    <message>
        <source>Pace</source>
        <translation>Tempo</translation>
    </message>
    <message>
        <source>new</source>
        <translation>neu</translation>
    </message>
    <message>
        <source>gone</source>
        <translation>fort</translation>
    </message>
    <message>
        <source>moved</source>
        <translation>verschoben</translation>
    </message>
    <message>
        <source>same</source>
        <translation>gleich</translation>
    </message>
    <message>
        <source>Drawn</source>
        <translation>Gezeichnet</translation>
    </message>
    <message>
        <source>Quit</source>
        <translation>Beenden</translation>
    </message>
    <message>
        <source>hold {0}</source>
        <translation>halten: {0}</translation>
    </message>
    <message>
        <source>drives</source>
        <translation>treibt</translation>
    </message>
    <message>
        <source>measured</source>
        <translation>gemessen</translation>
    </message>
    <message>
        <source>text</source>
        <translation>Text</translation>
    </message>
    <message>
        <source>result</source>
        <translation>Ergebnis</translation>
    </message>
    <message>
        <source>received</source>
        <translation>erhalten</translation>
    </message>
    <message>
        <source>offset</source>
        <translation>Versatz</translation>
    </message>
    <message>
        <source>diameter</source>
        <translation>Durchmesser</translation>
    </message>
    <message>
        <source>out</source>
        <translation>draußen</translation>
    </message>
    <message>
        <source>Account…</source>
        <translation>Bericht…</translation>
    </message>
    <message>
        <source>The account of all changes, as a page, a PDF or figures</source>
        <translation>Der Bericht aller Änderungen, als Seite, als PDF oder als Zahlen</translation>
    </message>
    <message>
        <source>Stock sheets</source>
        <translation>Tafeln</translation>
    </message>
    <message>
        <source>lengthened</source>
        <translation>verlängert</translation>
    </message>
    <message>
        <source>dropped</source>
        <translation>weggefallen</translation>
    </message>
    <message>
        <source>off</source>
        <translation>aus</translation>
    </message>
    <message>
        <source>skipped</source>
        <translation>übersprungen</translation>
    </message>
    <message>
        <source>(differ)</source>
        <translation>(verschieden)</translation>
    </message>
    <message>
        <source>differ</source>
        <translation>verschieden</translation>
    </message>
    <message>
        <source>through</source>
        <translation>ganz durch</translation>
    </message>
    <message>
        <source>plane</source>
        <translation>Ebene</translation>
    </message>
    <message>
        <source>planes</source>
        <translation>Ebenen</translation>
    </message>
    <message>
        <source>cylinder</source>
        <translation>Zylinder</translation>
    </message>
    <message>
        <source>cylinders</source>
        <translation>Zylinder</translation>
    </message>
    <message>
        <source>cone</source>
        <translation>Kegel</translation>
    </message>
    <message>
        <source>cones</source>
        <translation>Kegel</translation>
    </message>
    <message>
        <source>sphere</source>
        <translation>Kugel</translation>
    </message>
    <message>
        <source>spheres</source>
        <translation>Kugeln</translation>
    </message>
    <message>
        <source>torus</source>
        <translation>Torus</translation>
    </message>
    <message>
        <source>tori</source>
        <translation>Tori</translation>
    </message>
    <message>
        <source>other face</source>
        <translation>andere Fläche</translation>
    </message>
    <message>
        <source>other faces</source>
        <translation>andere Flächen</translation>
    </message>
    <message>
        <source>fit</source>
        <translation>passend</translation>
    </message>
</context>
<context>
    <name>Sentences</name>
    <message>
        <source>the {0} of #{1}</source>
        <translation>{0!t} von #{1}</translation>
    </message>
    <message>
        <source>There is no curve #{0}.</source>
        <translation>Es gibt keine Kurve #{0}.</translation>
    </message>
    <message>
        <source>#{0} was cut there, so the place has no name of its own.</source>
        <translation>#{0} wurde dort geschnitten, darum hat die Stelle keinen eigenen Namen.</translation>
    </message>
    <message>
        <source>Name it by the curve that crosses there.</source>
        <translation>Nennen Sie sie nach der Kurve, die dort kreuzt.</translation>
    </message>
    <message>
        <source>the curve is no longer there</source>
        <translation>die Kurve ist nicht mehr da</translation>
    </message>
    <message>
        <source>the curve was cut into {0}</source>
        <translation>die Kurve wurde in {0} geschnitten</translation>
    </message>
    <message>
        <source>that end was taken away</source>
        <translation>dieses Ende wurde weggenommen</translation>
    </message>
    <message>
        <source>several pieces claim it</source>
        <translation>mehrere Stücke beanspruchen es</translation>
    </message>
    <message>
        <source>{0} regions have its outline</source>
        <translation>{0} Flächen haben diesen Umriss</translation>
    </message>
    <message>
        <source>nothing closed lies there with that outline</source>
        <translation>dort liegt nichts Geschlossenes mit diesem Umriss</translation>
    </message>
    <message>
        <source>A region of {0} is no longer there: {1}.</source>
        <translation>Eine Fläche von {0} ist nicht mehr da: {1!t}.</translation>
    </message>
    <message>
        <source>Choose it again.</source>
        <translation>Bitte neu wählen.</translation>
    </message>
    <message>
        <source>its pieces have no centre in common</source>
        <translation>ihre Stücke haben keine gemeinsame Mitte</translation>
    </message>
    <message>
        <source>the curve has no centre</source>
        <translation>die Kurve hat keine Mitte</translation>
    </message>
    <message>
        <source>the curve has no such vertex any more</source>
        <translation>die Kurve hat diese Ecke nicht mehr</translation>
    </message>
    <message>
        <source>a part of the curve was taken away</source>
        <translation>ein Teil der Kurve wurde weggenommen</translation>
    </message>
    <message>
        <source>only lines and arcs have a middle</source>
        <translation>nur Linien und Bögen haben eine Mitte</translation>
    </message>
    <message>
        <source>{0}{1} cannot be found: {2}.</source>
        <translation>{0}{1} ist nicht zu finden: {2!t}.</translation>
    </message>
    <message>
        <source> 1 locked curve stayed.</source>
        <translation> 1 gesperrte Kurve blieb.</translation>
    </message>
    <message>
        <source> {0} locked curves stayed.</source>
        <translation> {0} gesperrte Kurven blieben.</translation>
    </message>
    <message>
        <source>The sketch “{0}” is locked.</source>
        <translation>Die Skizze „{0}“ ist gesperrt.</translation>
    </message>
    <message>
        <source>Unlock it first.</source>
        <translation>Bitte zuerst entsperren.</translation>
    </message>
    <message>
        <source> and {0} more of “{1}” are</source>
        <translation> und {0} weitere von „{1}“ sind</translation>
    </message>
    <message>
        <source>#{0}{1} locked.</source>
        <translation>#{0}{1!t} gesperrt.</translation>
    </message>
    <message>
        <source>Unlock first what is to change.</source>
        <translation>Bitte zuerst entsperren, was sich ändern soll.</translation>
    </message>
    <message>
        <source>“{0}” is a length, but a plain number is wanted here.</source>
        <translation>„{0}“ ist eine Länge, hier ist aber eine reine Zahl gefragt.</translation>
    </message>
    <message>
        <source>“{0}” is no drawing scale.</source>
        <translation>„{0}“ ist kein Zeichnungsmaßstab.</translation>
    </message>
    <message>
        <source>Type 1:5, 2:1 or 1/4" = 1'.</source>
        <translation>Tippen Sie 1:5, 2:1 oder 1/4" = 1'.</translation>
    </message>
    <message>
        <source>“{0}” divides by nothing.</source>
        <translation>„{0}“ teilt durch nichts.</translation>
    </message>
    <message>
        <source>“{0}” is neither a length nor a plain number.</source>
        <translation>„{0}“ ist weder eine Länge noch eine reine Zahl.</translation>
    </message>
    <message>
        <source>“{0}” cannot be read as a number or length.</source>
        <translation>„{0}“ ist nicht als Zahl oder Länge zu lesen.</translation>
    </message>
    <message>
        <source>Type 12, 12mm, 3/8in or 2' 8 1/2".</source>
        <translation>Tippen Sie 12, 12mm, 3/8in oder 2' 8 1/2".</translation>
    </message>
    <message>
        <source>turned {0}°</source>
        <translation>um {0}° gedreht</translation>
    </message>
    <message>
        <source>The work</source>
        <translation>Die Arbeit</translation>
    </message>
    <message>
        <source>Try again.</source>
        <translation>Bitte noch einmal versuchen.</translation>
    </message>
    <message>
        <source>pixels (96 to the inch)</source>
        <translation>Bildpunkte (96 je Zoll)</translation>
    </message>
    <message>
        <source>pixels (90 to the inch)</source>
        <translation>Bildpunkte (90 je Zoll)</translation>
    </message>
    <message>
        <source>points (72 to the inch)</source>
        <translation>Punkte (72 je Zoll)</translation>
    </message>
    <message>
        <source>picas (6 to the inch)</source>
        <translation>Pica (6 je Zoll)</translation>
    </message>
    <message>
        <source>thousandths of an inch</source>
        <translation>Tausendstel Zoll</translation>
    </message>
    <message>
        <source>“{0}” is not a unit of length.</source>
        <translation>„{0}“ ist keine Längeneinheit.</translation>
    </message>
    <message>
        <source>Use one of {0}.</source>
        <translation>Nehmen Sie eine von {0}.</translation>
    </message>
    <message>
        <source>{0} has no ending for a drawing that is cut.</source>
        <translation>{0} hat keine Endung für eine Zeichnung, die geschnitten wird.</translation>
    </message>
    <message>
        <source>End it in .svg, .dxf or .pdf.</source>
        <translation>Sie muss auf .svg, .dxf oder .pdf enden.</translation>
    </message>
    <message>
        <source>There is nothing to be cut.</source>
        <translation>Es gibt nichts zu schneiden.</translation>
    </message>
    <message>
        <source>Add an operation.</source>
        <translation>Einen Arbeitsgang hinzufügen.</translation>
    </message>
    <message>
        <source>A DXF header cannot say “{0}”.</source>
        <translation>Ein DXF-Kopf kann „{0}“ nicht sagen.</translation>
    </message>
    <message>
        <source>Deliver in mm or in.</source>
        <translation>In mm oder in ausgeben.</translation>
    </message>
    <message>
        <source>DXF cannot hold some names: {0}.</source>
        <translation>DXF kann einige Namen nicht halten: {0}.</translation>
    </message>
    <message>
        <source>1 ellipse or spline goes</source>
        <translation>1 Ellipse oder Spline geht</translation>
    </message>
    <message>
        <source>{0} ellipses and splines go</source>
        <translation>{0} Ellipsen und Splines gehen</translation>
    </message>
    <message>
        <source>DXF R12 has neither ellipses nor splines: {0} out as tangent arcs, within {1} mm.</source>
        <translation>DXF R12 kennt weder Ellipsen noch Splines: {0!t} als tangentiale Bögen hinaus, auf {1} mm genau.</translation>
    </message>
    <message>
        <source>{0} {1}s received beside the drawing could not go out.</source>
        <translation>{0} neben der Zeichnung Erhaltene ({1!t}) konnten nicht hinausgehen.</translation>
    </message>
    <message>
        <source>{0} {1} received beside the drawing could not go out.</source>
        <translation>{0} neben der Zeichnung Erhaltenes ({1!t}) konnte nicht hinausgehen.</translation>
    </message>
    <message>
        <source>{0} closed contours</source>
        <translation>{0} geschlossene Konturen</translation>
    </message>
    <message>
        <source>{0} closed contour</source>
        <translation>{0} geschlossene Kontur</translation>
    </message>
    <message>
        <source> ({0}, {1} holes)</source>
        <translation> ({0!t}, {1} Löcher)</translation>
    </message>
    <message>
        <source> ({0}, {1} hole)</source>
        <translation> ({0!t}, {1} Loch)</translation>
    </message>
    <message>
        <source> and {0} open lines</source>
        <translation> und {0} offene Linien</translation>
    </message>
    <message>
        <source> and {0} open line</source>
        <translation> und {0} offene Linie</translation>
    </message>
    <message>
        <source>SVG, in millimetres</source>
        <translation>SVG, in Millimetern</translation>
    </message>
    <message>
        <source>PDF, at true size</source>
        <translation>PDF, in wahrer Größe</translation>
    </message>
    <message>
        <source>PNG, a picture</source>
        <translation>PNG, ein Bild</translation>
    </message>
    <message>
        <source>STEP AP242, bodies</source>
        <translation>STEP AP242, Körper</translation>
    </message>
    <message>
        <source>STEP AP214, bodies</source>
        <translation>STEP AP214, Körper</translation>
    </message>
    <message>
        <source>STL, bodies as triangles</source>
        <translation>STL, Körper als Dreiecke</translation>
    </message>
    <message>
        <source>3MF, bodies as triangles</source>
        <translation>3MF, Körper als Dreiecke</translation>
    </message>
    <message>
        <source>CSV of profiles</source>
        <translation>CSV der Konturen</translation>
    </message>
    <message>
        <source>CSV of holes</source>
        <translation>CSV der Löcher</translation>
    </message>
    <message>
        <source>CSV of dimensions</source>
        <translation>CSV der Maße</translation>
    </message>
    <message>
        <source>CSV of bodies</source>
        <translation>CSV der Körper</translation>
    </message>
    <message>
        <source>CSV of parts to be cut</source>
        <translation>CSV der Schneidteile</translation>
    </message>
    <message>
        <source>“{0}” is no format.</source>
        <translation>„{0}“ ist kein Format.</translation>
    </message>
    <message>
        <source>There are {0}.</source>
        <translation>Es gibt {0}.</translation>
    </message>
    <message>
        <source>“{0}” is no name that a file can have.</source>
        <translation>„{0}“ ist kein Name, den eine Datei haben kann.</translation>
    </message>
    <message>
        <source>Choose another name.</source>
        <translation>Bitte einen anderen Namen wählen.</translation>
    </message>
    <message>
        <source>Choose another folder.</source>
        <translation>Bitte einen anderen Ordner wählen.</translation>
    </message>
    <message>
        <source>Drawing the views</source>
        <translation>Die Ansichten werden gezeichnet</translation>
    </message>
    <message>
        <source>There is no part {0} in the drawing.</source>
        <translation>In der Zeichnung gibt es kein Teil {0}.</translation>
    </message>
    <message>
        <source>It has {0}.</source>
        <translation>Sie hat {0}.</translation>
    </message>
    <message>
        <source>There is no body to be seen.</source>
        <translation>Es ist kein Körper zu sehen.</translation>
    </message>
    <message>
        <source>Raise a region in Form first.</source>
        <translation>Zuerst in Formung eine Fläche heben.</translation>
    </message>
    <message>
        <source>Cutting through</source>
        <translation>Es wird durchgeschnitten</translation>
    </message>
    <message>
        <source>Nothing lies in the part that is to be shown.</source>
        <translation>In dem Teil, der gezeigt werden soll, liegt nichts.</translation>
    </message>
    <message>
        <source>Choose another part.</source>
        <translation>Bitte einen anderen Teil wählen.</translation>
    </message>
    <message>
        <source>text or area</source>
        <translation>Text oder Fläche</translation>
    </message>
    <message>
        <source>it lies across the edge of what is shown</source>
        <translation>es liegt über dem Rand des Gezeigten</translation>
    </message>
    <message>
        <source>There is no sketch “{0}” that goes out.</source>
        <translation>Es gibt keine Skizze „{0}“, die hinausgeht.</translation>
    </message>
    <message>
        <source>There is no profile to be shown.</source>
        <translation>Es gibt keine Kontur zu zeigen.</translation>
    </message>
    <message>
        <source>Choose what goes out in Route.</source>
        <translation>In Zuordnung wählen, was hinausgeht.</translation>
    </message>
    <message>
        <source>Nothing was received that could be shown.</source>
        <translation>Es kam nichts, was gezeigt werden könnte.</translation>
    </message>
    <message>
        <source>Take something in.</source>
        <translation>Bitte etwas aufnehmen.</translation>
    </message>
    <message>
        <source>pictures do not go onto sheets</source>
        <translation>Bilder kommen nicht auf Blätter</translation>
    </message>
    <message>
        <source>a point has no size</source>
        <translation>ein Punkt hat keine Größe</translation>
    </message>
    <message>
        <source>endless lines have no end on paper</source>
        <translation>endlose Linien haben auf Papier kein Ende</translation>
    </message>
    <message>
        <source>a pattern is left out</source>
        <translation>ein Muster wird weggelassen</translation>
    </message>
    <message>
        <source>it holds nothing that can be drawn</source>
        <translation>es enthält nichts, was sich zeichnen lässt</translation>
    </message>
    <message>
        <source>Width, mm</source>
        <translation>Breite, mm</translation>
    </message>
    <message>
        <source>Height, mm</source>
        <translation>Höhe, mm</translation>
    </message>
    <message>
        <source>Area, mm2</source>
        <translation>Fläche, mm2</translation>
    </message>
    <message>
        <source>Cut length, mm</source>
        <translation>Schnittlänge, mm</translation>
    </message>
    <message>
        <source>Parts to be cut</source>
        <translation>Schneidteile</translation>
    </message>
    <message>
        <source>The title block of {0} x {1} mm does not fit on {2}.</source>
        <translation>Das Schriftfeld von {0} x {1} mm passt nicht auf {2}.</translation>
    </message>
    <message>
        <source>Take larger paper or another frame.</source>
        <translation>Größeres Papier oder einen anderen Rahmen nehmen.</translation>
    </message>
    <message>
        <source>The frame {0} cannot be read: {1}.</source>
        <translation>Der Rahmen {0} ist nicht zu lesen: {1!t}.</translation>
    </message>
    <message>
        <source>Choose another.</source>
        <translation>Bitte einen anderen wählen.</translation>
    </message>
    <message>
        <source>The frame {0} is larger than {1} MB.</source>
        <translation>Der Rahmen {0} ist größer als {1} MB.</translation>
    </message>
    <message>
        <source>The frame is not one that can be used: {0}</source>
        <translation>Der Rahmen ist nicht zu gebrauchen: {0!t}</translation>
    </message>
    <message>
        <source>“{0}” is no section.</source>
        <translation>„{0}“ ist kein Schnitt.</translation>
    </message>
    <message>
        <source>Write section:VIEW:MM with one of {0}.</source>
        <translation>Schreiben Sie section:ANSICHT:MM mit einem von {0}.</translation>
    </message>
    <message>
        <source>“{0}” is no detail.</source>
        <translation>„{0}“ ist keine Einzelheit.</translation>
    </message>
    <message>
        <source>Write detail:VIEW:X,Y,RADIUS in mm.</source>
        <translation>Schreiben Sie detail:ANSICHT:X,Y,RADIUS in mm.</translation>
    </message>
    <message>
        <source>“{0}” is no part of a drawing.</source>
        <translation>„{0}“ ist kein Teil einer Zeichnung.</translation>
    </message>
    <message>
        <source>Write window:X0,Y0,X1,Y1 in mm.</source>
        <translation>Schreiben Sie window:X0,Y0,X1,Y1 in mm.</translation>
    </message>
    <message>
        <source>Beyond the frame: {0}.</source>
        <translation>Über den Rahmen hinaus: {0}.</translation>
    </message>
    <message>
        <source>1 dimension</source>
        <translation>1 Maß</translation>
    </message>
    <message>
        <source>No free place was found for {0}; a larger scale or paper has more room.</source>
        <translation>Für {0!t} fand sich kein freier Platz; ein größerer Maßstab oder größeres Papier hat mehr Raum.</translation>
    </message>
    <message>
        <source>The dimension “{0}” measures {1}.</source>
        <translation>Das Maß „{0}“ misst {1}.</translation>
    </message>
    <message>
        <source>{0} more dimensions do not measure what they say; see Measure.</source>
        <translation>{0} weitere Maße messen nicht, was sie sagen; siehe Maß.</translation>
    </message>
    <message>
        <source>Dimension {0} of the view “{1}” is left out: {2}</source>
        <translation>Maß {0} der Ansicht „{1}“ ist weggelassen: {2!t}</translation>
    </message>
    <message>
        <source>“{0}” of {1} things is no dimension.</source>
        <translation>„{0}“ von {1} Dingen ist kein Maß.</translation>
    </message>
    <message>
        <source>Draw it again.</source>
        <translation>Bitte neu zeichnen.</translation>
    </message>
    <message>
        <source>{0}{1} is no point.</source>
        <translation>{0}{1} ist kein Punkt.</translation>
    </message>
    <message>
        <source>Pick points or circles.</source>
        <translation>Bitte Punkte oder Kreise wählen.</translation>
    </message>
    <message>
        <source>“{0}” is no paper.</source>
        <translation>„{0}“ ist kein Papier.</translation>
    </message>
    <message>
        <source>Use {0}, or width x height of {1} to {2} mm.</source>
        <translation>Nehmen Sie {0}, oder Breite x Höhe von {1} bis {2} mm.</translation>
    </message>
    <message>
        <source>“{0}” is no scale.</source>
        <translation>„{0}“ ist kein Maßstab.</translation>
    </message>
    <message>
        <source>Write it as 1:2 or 5:1, or “fit”.</source>
        <translation>Schreiben Sie 1:2 oder 5:1, oder „fit“.</translation>
    </message>
    <message>
        <source>Sheet “{0}”</source>
        <translation>Blatt „{0}“</translation>
    </message>
    <message>
        <source>A sheet for each part of the drawing</source>
        <translation>Ein Blatt für jedes Teil der Zeichnung</translation>
    </message>
    <message>
        <source>The drawing has {0} parts that lie apart; sheets can be made of 1 to {1}.</source>
        <translation>Die Zeichnung hat {0} Teile, die für sich liegen; Blätter lassen sich aus 1 bis {1} machen.</translation>
    </message>
    <message>
        <source>Put views of the drawing on a sheet instead.</source>
        <translation>Stattdessen Ansichten der Zeichnung auf ein Blatt setzen.</translation>
    </message>
    <message>
        <source>Take out {0}</source>
        <translation>{0} wegnehmen</translation>
    </message>
    <message>
        <source>A view of “{0}” lies far off its paper.</source>
        <translation>Eine Ansicht von „{0}“ liegt weit neben ihrem Papier.</translation>
    </message>
    <message>
        <source>Place it again.</source>
        <translation>Bitte neu setzen.</translation>
    </message>
    <message>
        <source>“{0}” is no view.</source>
        <translation>„{0}“ ist keine Ansicht.</translation>
    </message>
    <message>
        <source>Views are profiles, received, {0}.</source>
        <translation>Ansichten sind profiles, received, {0}.</translation>
    </message>
    <message>
        <source>and {0} more</source>
        <translation>und {0} weitere</translation>
    </message>
    <message>
        <source>Volume, mm3</source>
        <translation>Volumen, mm3</translation>
    </message>
    <message>
        <source>At most, mm</source>
        <translation>Höchstens, mm</translation>
    </message>
    <message>
        <source>{0} is no SVG.</source>
        <translation>{0} ist keine SVG.</translation>
    </message>
    <message>
        <source>{0} does not say how wide and high it is in mm.</source>
        <translation>{0} sagt nicht, wie breit und hoch es in mm ist.</translation>
    </message>
    <message>
        <source>There is no sheet “{0}”.</source>
        <translation>Es gibt kein Blatt „{0}“.</translation>
    </message>
    <message>
        <source>There is no sheet to write.</source>
        <translation>Es gibt kein Blatt zu schreiben.</translation>
    </message>
    <message>
        <source>Add one first.</source>
        <translation>Bitte zuerst eines hinzufügen.</translation>
    </message>
    <message>
        <source>1 shaded picture is</source>
        <translation>1 schattiertes Bild ist</translation>
    </message>
    <message>
        <source>{0} shaded pictures are</source>
        <translation>{0} schattierte Bilder sind</translation>
    </message>
    <message>
        <source>{0} left out: a DXF holds lines and words.</source>
        <translation>{0!t} weggelassen: eine DXF hält Linien und Worte.</translation>
    </message>
    <message>
        <source>“{0}” is no ending of a page.</source>
        <translation>„{0}“ ist keine Endung einer Seite.</translation>
    </message>
    <message>
        <source>There is no body to write.</source>
        <translation>Es gibt keinen Körper zu schreiben.</translation>
    </message>
    <message>
        <source>Raise a region first, or show the bodies.</source>
        <translation>Zuerst eine Fläche heben oder die Körper zeigen.</translation>
    </message>
    <message>
        <source>{0} has no ending for bodies.</source>
        <translation>{0} hat keine Endung für Körper.</translation>
    </message>
    <message>
        <source>Writing STEP</source>
        <translation>STEP wird geschrieben</translation>
    </message>
    <message>
        <source>Making triangles</source>
        <translation>Dreiecke werden gemacht</translation>
    </message>
    <message>
        <source>Round faces went out as triangles, within {0} mm.</source>
        <translation>Runde Flächen gingen als Dreiecke hinaus, auf {0} mm genau.</translation>
    </message>
    <message>
        <source>STL holds no names, so all bodies went out as one.</source>
        <translation>STL hält keine Namen, darum gingen alle Körper als einer hinaus.</translation>
    </message>
    <message>
        <source>STL holds no unit: its numbers are mm.</source>
        <translation>STL hält keine Einheit: die Zahlen sind mm.</translation>
    </message>
    <message>
        <source>A name can stand in an SVG only once: {0}.</source>
        <translation>In einer SVG kann ein Name nur einmal stehen: {0}.</translation>
    </message>
    <message>
        <source>1 spline goes</source>
        <translation>1 Spline geht</translation>
    </message>
    <message>
        <source>{0} splines go</source>
        <translation>{0} Splines gehen</translation>
    </message>
    <message>
        <source>SVG has no rational splines and none above the third degree: {0} out as cubic curves, within {1} mm.</source>
        <translation>SVG kennt keine rationalen Splines und keine über dem dritten Grad: {0!t} als kubische Kurven hinaus, auf {1} mm genau.</translation>
    </message>
    <message>
        <source>{0} has no ending that can be written.</source>
        <translation>{0} hat keine Endung, die sich schreiben lässt.</translation>
    </message>
    <message>
        <source>End it in {0}.</source>
        <translation>Sie muss auf {0} enden.</translation>
    </message>
    <message>
        <source>There is nothing to deliver.</source>
        <translation>Es gibt nichts auszugeben.</translation>
    </message>
    <message>
        <source>Take at least one layer.</source>
        <translation>Bitte mindestens einen Layer nehmen.</translation>
    </message>
    <message>
        <source>1 ellipse or spline is</source>
        <translation>1 Ellipse oder Spline ist</translation>
    </message>
    <message>
        <source>{0} ellipses and splines are</source>
        <translation>{0} Ellipsen und Splines sind</translation>
    </message>
    <message>
        <source>{0} part of a contour and went out as tangent arcs, within {1} mm.</source>
        <translation>{0!t} Teil einer Kontur und als tangentiale Bögen hinausgegangen, auf {1} mm genau.</translation>
    </message>
    <message>
        <source>A fault in the program stopped it ({0}: {1}).</source>
        <translation>Ein Fehler im Programm hat es angehalten ({0}: {1}).</translation>
    </message>
    <message>
        <source>There is no drawing to run the recipe on.</source>
        <translation>Es gibt keine Zeichnung, auf die das Rezept angewendet werden kann.</translation>
    </message>
    <message>
        <source>{0}: not found: {1}.</source>
        <translation>{0}: nicht gefunden: {1}.</translation>
    </message>
    <message>
        <source>The unit is in doubt: {0} is {1} likely.</source>
        <translation>Die Einheit ist zweifelhaft: {0!t} ist zu {1} wahrscheinlich.</translation>
    </message>
    <message>
        <source>The recipe says {0}, but the drawing speaks for {1} ({2}).</source>
        <translation>Das Rezept sagt {0!t}, die Zeichnung aber spricht für {1!t} ({2}).</translation>
    </message>
    <message>
        <source>Reading it took the whole process down.</source>
        <translation>Das Lesen hat den ganzen Prozess mitgerissen.</translation>
    </message>
    <message>
        <source>Running on a cluster needs the package distributed.</source>
        <translation>Auf einem Verbund zu laufen braucht das Paket distributed.</translation>
    </message>
    <message>
        <source>Install the extra “cluster”.</source>
        <translation>Die Zugabe „cluster“ einrichten.</translation>
    </message>
    <message>
        <source>There is no scheduler at {0} ({1}).</source>
        <translation>Bei {0} gibt es keinen Verteiler ({1}).</translation>
    </message>
    <message>
        <source>The cluster lost it ({0}).</source>
        <translation>Der Verbund hat es verloren ({0}).</translation>
    </message>
    <message>
        <source>{0} is one of the drawings themselves.</source>
        <translation>{0} ist eine der Zeichnungen selbst.</translation>
    </message>
    <message>
        <source>Choose another folder for the results.</source>
        <translation>Bitte einen anderen Ordner für die Ergebnisse wählen.</translation>
    </message>
    <message>
        <source>{0} cannot be made: {1}.</source>
        <translation>{0} lässt sich nicht anlegen: {1}.</translation>
    </message>
    <message>
        <source>The summary cannot be written to {0}: {1}.</source>
        <translation>Die Zusammenfassung lässt sich nicht nach {0} schreiben: {1}.</translation>
    </message>
    <message>
        <source>A fault in the program stopped this step ({}); nothing of it was done. The log has the details.</source>
        <translation>Ein Fehler im Programm hat diesen Schritt angehalten ({0}); nichts davon wurde getan. Näheres steht im Protokoll.</translation>
    </message>
    <message>
        <source>Ask for it in another format, or exported anew.</source>
        <translation>Bitte um ein anderes Format oder einen neuen Export.</translation>
    </message>
    <message>
        <source>sheets as PDF</source>
        <translation>Blätter als PDF</translation>
    </message>
    <message>
        <source>setup sheets</source>
        <translation>Einrichteblätter</translation>
    </message>
    <message>
        <source>Nothing is wanted in the package.</source>
        <translation>Im Paket wird nichts gewünscht.</translation>
    </message>
    <message>
        <source>Choose at least one kind of file.</source>
        <translation>Bitte mindestens eine Art Datei wählen.</translation>
    </message>
    <message>
        <source>“{{{0}}}” stands for nothing.</source>
        <translation>„{{{0}}}“ steht für nichts.</translation>
    </message>
    <message>
        <source>A name needs at least one letter.</source>
        <translation>Ein Name braucht mindestens einen Buchstaben.</translation>
    </message>
    <message>
        <source>There is nothing to hand over.</source>
        <translation>Es gibt nichts zu übergeben.</translation>
    </message>
    <message>
        <source>The job has no sheet.</source>
        <translation>Der Auftrag hat kein Blatt.</translation>
    </message>
    <message>
        <source>Add one in Deliver.</source>
        <translation>Bitte in Ausgabe eines hinzufügen.</translation>
    </message>
    <message>
        <source>{0}: {1} things are wrong.</source>
        <translation>{0}: {1} Sachen sind falsch.</translation>
    </message>
    <message>
        <source>{0}: {1} thing is wrong.</source>
        <translation>{0}: {1} Sache ist falsch.</translation>
    </message>
    <message>
        <source>Not understood: {0}</source>
        <translation>Nicht verstanden: {0}</translation>
    </message>
    <message>
        <source>This version does not know this step; it is kept and saved again as it is.</source>
        <translation>Diese Version kennt diesen Schritt nicht; er wird behalten und gesichert, wie er ist.</translation>
    </message>
    <message>
        <source>As you chose for this file last time.</source>
        <translation>Wie Sie für diese Datei zuletzt gewählt haben.</translation>
    </message>
    <message>
        <source>By the preset “{0}”.</source>
        <translation>Nach der Vorwahl „{0}“.</translation>
    </message>
    <message>
        <source>{0} cannot be saved: {1}.</source>
        <translation>{0} lässt sich nicht sichern: {1!t}.</translation>
    </message>
    <message>
        <source>Save it in another folder.</source>
        <translation>Bitte in einem anderen Ordner sichern.</translation>
    </message>
    <message>
        <source>{0} is damaged or no recipe.</source>
        <translation>{0} ist beschädigt oder kein Rezept.</translation>
    </message>
    <message>
        <source>Save it again.</source>
        <translation>Bitte noch einmal sichern.</translation>
    </message>
    <message>
        <source>{0} was made by another version ({1}).</source>
        <translation>{0} wurde von einer anderen Version gemacht ({1}).</translation>
    </message>
    <message>
        <source>Update Syntaxa.</source>
        <translation>Bitte Syntaxa erneuern.</translation>
    </message>
    <message>
        <source>{0} writes {1}.</source>
        <translation>{0} schreibt {1}.</translation>
    </message>
    <message>
        <source>There is no source {0}.</source>
        <translation>Es gibt keine Quelle {0}.</translation>
    </message>
    <message>
        <source>It has one called “{0}”; capitals count.</source>
        <translation>Sie hat einen namens „{0}“; Großschreibung zählt.</translation>
    </message>
    <message>
        <source>It has: {0}.</source>
        <translation>Sie hat: {0}.</translation>
    </message>
    <message>
        <source>{0} has no layer “{1}”.</source>
        <translation>{0} hat keinen Layer „{1}“.</translation>
    </message>
    <message>
        <source>{0} is damaged or no job file.</source>
        <translation>{0} ist beschädigt oder keine Auftragsdatei.</translation>
    </message>
    <message>
        <source>Open its recovery copy, if there is one.</source>
        <translation>Bitte die Sicherungskopie öffnen, wenn es eine gibt.</translation>
    </message>
    <message>
        <source>{0} holds more than 2 GB.</source>
        <translation>{0} enthält mehr als 2 GB.</translation>
    </message>
    <message>
        <source>It is not a job file.</source>
        <translation>Das ist keine Auftragsdatei.</translation>
    </message>
    <message>
        <source>{0} holds no drawing.</source>
        <translation>{0} enthält keine Zeichnung.</translation>
    </message>
    <message>
        <source>The drawing {0} in {1} is not the one that was saved.</source>
        <translation>Die Zeichnung {0} in {1} ist nicht die, die gesichert wurde.</translation>
    </message>
    <message>
        <source>Use a backup of the job.</source>
        <translation>Bitte eine Sicherung des Auftrags nehmen.</translation>
    </message>
    <message>
        <source>{0} holds two drawings under one number.</source>
        <translation>{0} enthält zwei Zeichnungen unter einer Nummer.</translation>
    </message>
    <message>
        <source>gap {0} mm</source>
        <translation>Lücke {0} mm</translation>
    </message>
    <message>
        <source>gaps bridged</source>
        <translation>Lücken überbrückt</translation>
    </message>
    <message>
        <source>facets to arcs</source>
        <translation>Facetten zu Bögen</translation>
    </message>
    <message>
        <source>laid flat</source>
        <translation>flach gelegt</translation>
    </message>
    <message>
        <source>Variant “{0}”: {1}</source>
        <translation>Variante „{0}“: {1!t}</translation>
    </message>
    <message>
        <source>{0} It was not written.</source>
        <translation>{0!t} Sie wurde nicht geschrieben.</translation>
    </message>
    <message>
        <source>{0} could not be handed over ({1}).</source>
        <translation>{0!t} ließ sich nicht übergeben ({1}).</translation>
    </message>
    <message>
        <source>{0} took longer than it may.</source>
        <translation>{0!t} dauerte länger als erlaubt.</translation>
    </message>
    <message>
        <source>The worker process has no pipes.</source>
        <translation>Der Arbeitsprozess hat keine Leitungen.</translation>
    </message>
    <message>
        <source>Start the program again.</source>
        <translation>Bitte das Programm neu starten.</translation>
    </message>
    <message>
        <source>{0} took its process down; nothing else was touched.</source>
        <translation>{0!t} riss seinen Prozess mit; sonst wurde nichts berührt.</translation>
    </message>
    <message>
        <source>This takes more memory than it may.</source>
        <translation>Das braucht mehr Speicher als erlaubt.</translation>
    </message>
    <message>
        <source>moved or changed</source>
        <translation>bewegt oder geändert</translation>
    </message>
    <message>
        <source>{0}; {1} as before</source>
        <translation>{0!t}; {1} wie zuvor</translation>
    </message>
    <message>
        <source>No curve changed</source>
        <translation>Keine Kurve geändert</translation>
    </message>
    <message>
        <source>{0} is a DWG of before R13, which is too old to be read.</source>
        <translation>{0} ist eine DWG von vor R13 und damit zu alt, um gelesen zu werden.</translation>
    </message>
    <message>
        <source>Ask for the drawing as DXF, or saved anew.</source>
        <translation>Bitte um die Zeichnung als DXF oder neu gesichert.</translation>
    </message>
    <message>
        <source>This type is not taken in from DWG; a DXF of it may carry it.</source>
        <translation>Diese Art wird aus DWG nicht aufgenommen; eine DXF davon kann sie enthalten.</translation>
    </message>
    <message>
        <source>Its texts are in an alphabet that is not known here; letters beyond the Latin ones may be wrong.</source>
        <translation>Ihre Texte sind in einem hier unbekannten Alphabet; Buchstaben jenseits der lateinischen können falsch sein.</translation>
    </message>
    <message>
        <source>1 thing</source>
        <translation>1 Ding</translation>
    </message>
    <message>
        <source>{0} in the file could not be made out and may be missing or plain.</source>
        <translation>{0!t} in der Datei waren nicht zu erkennen und können fehlen oder schlicht sein.</translation>
    </message>
    <message>
        <source>{0} could not be made out.</source>
        <translation>{0} war nicht zu erkennen.</translation>
    </message>
    <message>
        <source>Ask for the drawing as DXF.</source>
        <translation>Bitte um die Zeichnung als DXF.</translation>
    </message>
    <message>
        <source>arc length</source>
        <translation>Bogenlänge</translation>
    </message>
    <message>
        <source>It has no boundary.</source>
        <translation>Sie hat keinen Rand.</translation>
    </message>
    <message>
        <source>It has no direction in the plane.</source>
        <translation>Sie hat in der Ebene keine Richtung.</translation>
    </message>
    <message>
        <source>Its coordinates are not numbers that a drawing can hold.</source>
        <translation>Ihre Koordinaten sind keine Zahlen, die eine Zeichnung halten kann.</translation>
    </message>
    <message>
        <source>It has no size.</source>
        <translation>Es hat keine Größe.</translation>
    </message>
    <message>
        <source>{0} is damaged and nothing in it could be read.</source>
        <translation>{0} ist beschädigt, und nichts darin war zu lesen.</translation>
    </message>
    <message>
        <source>Ask for the drawing again.</source>
        <translation>Bitte noch einmal um die Zeichnung.</translation>
    </message>
    <message>
        <source> {0} faults were set right or left out.</source>
        <translation> {0} Fehler wurden berichtigt oder weggelassen.</translation>
    </message>
    <message>
        <source>The file breaks the rules of its format or is cut off; what could be recovered was read.</source>
        <translation>Die Datei bricht die Regeln ihres Formats oder ist abgeschnitten; gelesen wurde, was zu retten war.</translation>
    </message>
    <message>
        <source>{0} is damaged and could not be read.</source>
        <translation>{0} ist beschädigt und war nicht zu lesen.</translation>
    </message>
    <message>
        <source>The file is badly damaged: {0} entities could be made out, {1} were dropped, and what its layers looked like is lost.</source>
        <translation>Die Datei ist schwer beschädigt: {0} Elemente waren zu erkennen, {1} fielen weg, und wie ihre Layer aussahen, ist verloren.</translation>
    </message>
    <message>
        <source>{0} has no layout “{1}”.</source>
        <translation>{0} hat kein Layout „{1}“.</translation>
    </message>
    <message>
        <source>There are: {0}.</source>
        <translation>Es gibt: {0}.</translation>
    </message>
    <message>
        <source>Model space</source>
        <translation>Modellbereich</translation>
    </message>
    <message>
        <source>It has no length.</source>
        <translation>Es hat keine Länge.</translation>
    </message>
    <message>
        <source>It has no width.</source>
        <translation>Es hat keine Breite.</translation>
    </message>
    <message>
        <source>Its knots and control points do not agree.</source>
        <translation>Seine Knoten und Kontrollpunkte passen nicht zusammen.</translation>
    </message>
    <message>
        <source>Its weights make no sense.</source>
        <translation>Seine Gewichte ergeben keinen Sinn.</translation>
    </message>
    <message>
        <source>It is a mesh.</source>
        <translation>Es ist ein Netz.</translation>
    </message>
    <message>
        <source>The drawing unfolds to more than can be held; the rest was left out.</source>
        <translation>Die Zeichnung entfaltet sich zu mehr, als sich halten lässt; der Rest wurde weggelassen.</translation>
    </message>
    <message>
        <source>{0} entities lie up to {1} above or below the plane; they were laid on it.</source>
        <translation>{0} Elemente liegen bis zu {1} über oder unter der Ebene; sie wurden auf sie gelegt.</translation>
    </message>
    <message>
        <source>Its shape is sealed in a form that only its own program reads.</source>
        <translation>Seine Form ist in einer Weise verschlossen, die nur sein eigenes Programm liest.</translation>
    </message>
    <message>
        <source>This type is not taken in.</source>
        <translation>Diese Art wird nicht aufgenommen.</translation>
    </message>
    <message>
        <source>It cannot be taken out of its block.</source>
        <translation>Es lässt sich nicht aus seinem Block nehmen.</translation>
    </message>
    <message>
        <source>Its data make no sense.</source>
        <translation>Seine Daten ergeben keinen Sinn.</translation>
    </message>
    <message>
        <source>Its picture lies outside the file; its place is kept.</source>
        <translation>Sein Bild liegt außerhalb der Datei; sein Platz wird behalten.</translation>
    </message>
    <message>
        <source>Its block “{0}” is missing.</source>
        <translation>Sein Block „{0}“ fehlt.</translation>
    </message>
    <message>
        <source>Block “{0}” contains itself.</source>
        <translation>Block „{0}“ enthält sich selbst.</translation>
    </message>
    <message>
        <source>It is tilted out of the drawing plane (off-plane); it can be laid flat.</source>
        <translation>Es ist aus der Zeichenebene gekippt; es lässt sich flach legen.</translation>
    </message>
    <message>
        <source>It was packed with gzip.</source>
        <translation>Sie war mit gzip gepackt.</translation>
    </message>
    <message>
        <source>Look what is in it.</source>
        <translation>Bitte nachsehen, was darin ist.</translation>
    </message>
    <message>
        <source>{0} holds {1} drawings: {2}{3}.</source>
        <translation>{0} enthält {1} Zeichnungen: {2}{3!t}.</translation>
    </message>
    <message>
        <source>Unpack it first.</source>
        <translation>Bitte zuerst entpacken.</translation>
    </message>
    <message>
        <source>It was read from {0} in {1}.</source>
        <translation>Sie wurde aus {0} in {1} gelesen.</translation>
    </message>
    <message>
        <source>{0} is damaged and could not be unpacked.</source>
        <translation>{0} ist beschädigt und ließ sich nicht entpacken.</translation>
    </message>
    <message>
        <source>Ask for it again.</source>
        <translation>Bitte noch einmal darum bitten.</translation>
    </message>
    <message>
        <source>{0} unpacks to more than {1} MB.</source>
        <translation>{0} entpackt sich zu mehr als {1} MB.</translation>
    </message>
    <message>
        <source>Ask for the drawing alone.</source>
        <translation>Bitte nur um die Zeichnung.</translation>
    </message>
    <message>
        <source>The clipboard holds no curves.</source>
        <translation>Die Zwischenablage enthält keine Kurven.</translation>
    </message>
    <message>
        <source>Copy some in a job first.</source>
        <translation>Bitte zuerst welche in einem Auftrag kopieren.</translation>
    </message>
    <message>
        <source>They are {0} mm large, taken as {1} in “{2}”</source>
        <translation>Sie sind {0} mm groß, genommen als {1!t} in „{2}“</translation>
    </message>
    <message>
        <source>{0}, where nobody has settled the unit yet.</source>
        <translation>{0!t}, wo noch niemand die Einheit geklärt hat.</translation>
    </message>
    <message>
        <source>{0}; what is here is {1} mm large. One of the two may be in the wrong unit.</source>
        <translation>{0!t}; was hier ist, ist {1} mm groß. Eines von beiden ist vielleicht in der falschen Einheit.</translation>
    </message>
    <message>
        <source>1 curve</source>
        <translation>1 Kurve</translation>
    </message>
    <message>
        <source>Paste {0} from {1}</source>
        <translation>{0!t} aus {1} einfügen</translation>
    </message>
    <message>
        <source>Paste {0}</source>
        <translation>{0!t} einfügen</translation>
    </message>
    <message>
        <source>The curves that were pasted cannot be read.</source>
        <translation>Die eingefügten Kurven sind nicht zu lesen.</translation>
    </message>
    <message>
        <source>Copy them again.</source>
        <translation>Bitte noch einmal kopieren.</translation>
    </message>
    <message>
        <source>{0} curves were added to “{1}”.</source>
        <translation>{0} Kurven kamen zu „{1}“.</translation>
    </message>
    <message>
        <source>A part of the page is damaged and was left out.</source>
        <translation>Ein Teil der Seite ist beschädigt und wurde weggelassen.</translation>
    </message>
    <message>
        <source>A part of the page is damaged; it was read as far as it goes.</source>
        <translation>Ein Teil der Seite ist beschädigt; er wurde gelesen, so weit es ging.</translation>
    </message>
    <message>
        <source>The page goes on for ever; the rest was left out.</source>
        <translation>Die Seite nimmt kein Ende; der Rest wurde weggelassen.</translation>
    </message>
    <message>
        <source>“{0}” makes no sense where it stands.</source>
        <translation>„{0}“ ergibt dort, wo es steht, keinen Sinn.</translation>
    </message>
    <message>
        <source>What it refers to is not in the file.</source>
        <translation>Worauf es verweist, ist nicht in der Datei.</translation>
    </message>
    <message>
        <source>It refers to itself, or too deep.</source>
        <translation>Es verweist auf sich selbst, oder zu tief.</translation>
    </message>
    <message>
        <source>It unpacks to more than a drawing can hold.</source>
        <translation>Es entpackt sich zu mehr, als eine Zeichnung halten kann.</translation>
    </message>
    <message>
        <source>It is damaged.</source>
        <translation>Es ist beschädigt.</translation>
    </message>
    <message>
        <source>It has more pixels than can be held; only its place is kept.</source>
        <translation>Es hat mehr Bildpunkte, als sich halten lassen; nur sein Platz wird behalten.</translation>
    </message>
    <message>
        <source>Its pixels cannot be unpacked; only its place is kept.</source>
        <translation>Seine Bildpunkte lassen sich nicht entpacken; nur sein Platz wird behalten.</translation>
    </message>
    <message>
        <source>inline picture</source>
        <translation>eingebettetes Bild</translation>
    </message>
    <message>
        <source>Colour gradients have no outline.</source>
        <translation>Farbverläufe haben keinen Umriss.</translation>
    </message>
    <message>
        <source>1 page</source>
        <translation>1 Seite</translation>
    </message>
    <message>
        <source>{0} has {1}, so there is no page {2}.</source>
        <translation>{0} hat {1!t}, also gibt es keine Seite {2}.</translation>
    </message>
    <message>
        <source>The page is damaged; what could be made out was read.</source>
        <translation>Die Seite ist beschädigt; gelesen wurde, was zu erkennen war.</translation>
    </message>
    <message>
        <source>The file is damaged or cut off, and nothing on this page could be made out.</source>
        <translation>Die Datei ist beschädigt oder abgeschnitten, und auf dieser Seite war nichts zu erkennen.</translation>
    </message>
    <message>
        <source>The file is damaged or cut off; what could be made out was read.</source>
        <translation>Die Datei ist beschädigt oder abgeschnitten; gelesen wurde, was zu erkennen war.</translation>
    </message>
    <message>
        <source>The page unpacks to more than a drawing can hold.</source>
        <translation>Die Seite entpackt sich zu mehr, als eine Zeichnung halten kann.</translation>
    </message>
    <message>
        <source>{0} dashes were joined to lines, as was chosen.</source>
        <translation>{0} Striche wurden zu Linien verbunden, wie gewählt.</translation>
    </message>
    <message>
        <source>Page {0}</source>
        <translation>Seite {0}</translation>
    </message>
    <message>
        <source>The password does not open {0}.</source>
        <translation>Das Passwort öffnet {0} nicht.</translation>
    </message>
    <message>
        <source>Try another.</source>
        <translation>Bitte ein anderes versuchen.</translation>
    </message>
    <message>
        <source>{0} is locked by its author.</source>
        <translation>{0} ist vom Verfasser gesperrt.</translation>
    </message>
    <message>
        <source>Type its password, or ask for an open copy.</source>
        <translation>Bitte das Passwort tippen oder um eine offene Fassung bitten.</translation>
    </message>
    <message>
        <source>The page unfolds to more than can be held; the rest was left out.</source>
        <translation>Die Seite entfaltet sich zu mehr, als sich halten lässt; der Rest wurde weggelassen.</translation>
    </message>
    <message>
        <source>form field</source>
        <translation>Formularfeld</translation>
    </message>
    <message>
        <source>It lies over the page and is no part of the drawing.</source>
        <translation>Es liegt über der Seite und gehört nicht zur Zeichnung.</translation>
    </message>
    <message>
        <source>Notes, marks and stamps lie over the page and are no part of the drawing.</source>
        <translation>Notizen, Marken und Stempel liegen über der Seite und gehören nicht zur Zeichnung.</translation>
    </message>
    <message>
        <source>The page's unit is {0}/72 inch; it was counted in.</source>
        <translation>Die Einheit der Seite ist {0}/72 Zoll; das wurde eingerechnet.</translation>
    </message>
    <message>
        <source>The page is shown turned by {0} degrees; it was read as it is shown.</source>
        <translation>Die Seite wird um {0} Grad gedreht gezeigt; sie wurde gelesen, wie sie gezeigt wird.</translation>
    </message>
    <message>
        <source>The texts of the page cannot be made out.</source>
        <translation>Die Texte der Seite sind nicht zu erkennen.</translation>
    </message>
    <message>
        <source>There are more texts than a drawing can hold.</source>
        <translation>Es gibt mehr Texte, als eine Zeichnung halten kann.</translation>
    </message>
    <message>
        <source>Ask for the picture again.</source>
        <translation>Bitte noch einmal um das Bild.</translation>
    </message>
    <message>
        <source>{0} has {1} pages, so there is no page {2}.</source>
        <translation>{0} hat {1} Seiten, also gibt es keine Seite {2}.</translation>
    </message>
    <message>
        <source>{0} has {1} × {2} pixels, more than can be held.</source>
        <translation>{0} hat {1} × {2} Bildpunkte, mehr als sich halten lassen.</translation>
    </message>
    <message>
        <source>Scan it again with fewer dots to the inch.</source>
        <translation>Bitte mit weniger Punkten je Zoll neu scannen.</translation>
    </message>
    <message>
        <source>A picture has no curves; it lies under the drawing to be measured and traced over.</source>
        <translation>Ein Bild hat keine Kurven; es liegt unter der Zeichnung, um gemessen und nachgezeichnet zu werden.</translation>
    </message>
    <message>
        <source>Placed {0} × {1} mm large, as was typed.</source>
        <translation>{0} × {1} mm groß gelegt, wie getippt.</translation>
    </message>
    <message>
        <source>The picture says {0} dots to the inch; check it against a length that you know.</source>
        <translation>Das Bild sagt {0} Punkte je Zoll; bitte an einer bekannten Länge prüfen.</translation>
    </message>
    <message>
        <source>The picture does not say how large it is; type its width or height.</source>
        <translation>Das Bild sagt nicht, wie groß es ist; bitte Breite oder Höhe tippen.</translation>
    </message>
    <message>
        <source>There is no file {0}.</source>
        <translation>Es gibt keine Datei {0}.</translation>
    </message>
    <message>
        <source>Check the name.</source>
        <translation>Bitte den Namen prüfen.</translation>
    </message>
    <message>
        <source>{0} is a folder.</source>
        <translation>{0} ist ein Ordner.</translation>
    </message>
    <message>
        <source>Choose a drawing in it.</source>
        <translation>Bitte eine Zeichnung darin wählen.</translation>
    </message>
    <message>
        <source>{0} cannot be read: {1}.</source>
        <translation>{0} ist nicht zu lesen: {1!t}.</translation>
    </message>
    <message>
        <source>{0} is empty.</source>
        <translation>{0} ist leer.</translation>
    </message>
    <message>
        <source>{0} is called a {1} file but does not hold one.</source>
        <translation>{0} heißt wie eine {1}-Datei, enthält aber keine.</translation>
    </message>
    <message>
        <source>Export it again.</source>
        <translation>Bitte neu exportieren.</translation>
    </message>
    <message>
        <source>{0} is in no format that can be read.</source>
        <translation>{0} ist in keinem Format, das sich lesen lässt.</translation>
    </message>
    <message>
        <source>Use one of: {0}.</source>
        <translation>Nehmen Sie eines von: {0}.</translation>
    </message>
    <message>
        <source>The file is called a {0} file but holds {1}.</source>
        <translation>Die Datei heißt wie eine {0}-Datei, enthält aber {1}.</translation>
    </message>
    <message>
        <source>{0} {1} not read. {2}</source>
        <translation>{0} {1} nicht gelesen. {2!t}</translation>
    </message>
    <message>
        <source>{0} {1} without size dropped.</source>
        <translation>{0} {1} ohne Größe fielen weg.</translation>
    </message>
    <message>
        <source>{0} curves reach beyond a clip path; they were not cut unless that was chosen.</source>
        <translation>{0} Kurven reichen über einen Beschneidungspfad hinaus; geschnitten wurden sie nur, wo es gewählt war.</translation>
    </message>
    <message>
        <source>Fonts that are not on this machine: {0}.</source>
        <translation>Schriften, die auf diesem Rechner fehlen: {0}.</translation>
    </message>
    <message>
        <source>A dimension on {0} says {1}{2}, but {3}{4} is drawn.</source>
        <translation>Ein Maß auf {0} sagt {1}{2}, gezeichnet ist aber {3}{4}.</translation>
    </message>
    <message>
        <source>Read: {0} of {1}</source>
        <translation>Gelesen: {0} von {1}</translation>
    </message>
    <message>
        <source>Unit declared: {0}</source>
        <translation>Erklärte Einheit: {0}</translation>
    </message>
    <message>
        <source>Triangles: {0}</source>
        <translation>Dreiecke: {0}</translation>
    </message>
    <message>
        <source>Block insertions: {0}</source>
        <translation>Blockeinfügungen: {0}</translation>
    </message>
    <message>
        <source>There is nothing in it that can be seen.</source>
        <translation>Darin ist nichts zu sehen.</translation>
    </message>
    <message>
        <source>Everything was read.</source>
        <translation>Alles wurde gelesen.</translation>
    </message>
    <message>
        <source>They are slivers, with no more than the least area.</source>
        <translation>Es sind Splitter, nicht größer als die kleinste Fläche.</translation>
    </message>
    <message>
        <source>They stand in the file twice.</source>
        <translation>Sie stehen zweimal in der Datei.</translation>
    </message>
    <message>
        <source>Their corners are not numbers that a drawing can hold.</source>
        <translation>Ihre Ecken sind keine Zahlen, die eine Zeichnung halten kann.</translation>
    </message>
    <message>
        <source>half their height</source>
        <translation>ihrer halben Höhe</translation>
    </message>
    <message>
        <source>the height that was chosen</source>
        <translation>der gewählten Höhe</translation>
    </message>
    <message>
        <source>from {0} to {1} high, were cut at {2}, {3}.</source>
        <translation>von {0} bis {1} hoch, wurden bei {2} geschnitten, {3!t}.</translation>
    </message>
    <message>
        <source>The plane misses {0}, so it gives no curve.</source>
        <translation>Die Ebene verfehlt {0}, darum gibt es keine Kurve.</translation>
    </message>
    <message>
        <source>one a source</source>
        <translation>eine je Quelle</translation>
    </message>
    <message>
        <source>Take in</source>
        <translation>Aufnehmen</translation>
    </message>
    <message>
        <source>Take in source {0}</source>
        <translation>Quelle {0} aufnehmen</translation>
    </message>
    <message>
        <source>{0} layers left</source>
        <translation>{0} Layer weggelassen</translation>
    </message>
    <message>
        <source>nothing hidden</source>
        <translation>nichts Verborgenes</translation>
    </message>
    <message>
        <source>read as chosen</source>
        <translation>gelesen wie gewählt</translation>
    </message>
    <message>
        <source>{0} of {1} curves.</source>
        <translation>{0} von {1} Kurven.</translation>
    </message>
    <message>
        <source>Take over the changed source {0}</source>
        <translation>Die geänderte Quelle {0} übernehmen</translation>
    </message>
    <message>
        <source>{0} holds no triangle.</source>
        <translation>{0} enthält kein Dreieck.</translation>
    </message>
    <message>
        <source>Ask for the solid again.</source>
        <translation>Bitte noch einmal um den Körper.</translation>
    </message>
    <message>
        <source>The file claims {0} triangles and holds {1}; those were read.</source>
        <translation>Die Datei nennt {0} Dreiecke und enthält {1}; diese wurden gelesen.</translation>
    </message>
    <message>
        <source>The last triangle is cut off and was left out.</source>
        <translation>Das letzte Dreieck ist abgeschnitten und wurde weggelassen.</translation>
    </message>
    <message>
        <source>The file breaks the rules of XML; what could be made out was read.</source>
        <translation>Die Datei bricht die Regeln von XML; gelesen wurde, was zu erkennen war.</translation>
    </message>
    <message>
        <source>{0} lengths are written with a decimal comma; it was taken for a point.</source>
        <translation>{0} Längen sind mit Dezimalkomma geschrieben; es wurde als Punkt genommen.</translation>
    </message>
    <message>
        <source>{0} rules of its style sheet were not understood.</source>
        <translation>{0} Regeln ihrer Formatvorlage wurden nicht verstanden.</translation>
    </message>
    <message>
        <source>The drawing has no named groups, so its layers are its colours.</source>
        <translation>Die Zeichnung hat keine benannten Gruppen, darum sind ihre Layer ihre Farben.</translation>
    </message>
    <message>
        <source>The drawing does not say how large it is; its numbers are taken as pixels.</source>
        <translation>Die Zeichnung sagt nicht, wie groß sie ist; ihre Zahlen werden als Bildpunkte genommen.</translation>
    </message>
    <message>
        <source>Its pixels are taken as {0} to the inch, as was chosen.</source>
        <translation>Ihre Bildpunkte werden zu {0} je Zoll genommen, wie gewählt.</translation>
    </message>
    <message>
        <source>It lies too many groups deep.</source>
        <translation>Es liegt zu viele Gruppen tief.</translation>
    </message>
    <message>
        <source>Filters only change how it looks; they are not applied.</source>
        <translation>Filter ändern nur das Aussehen; sie werden nicht angewendet.</translation>
    </message>
    <message>
        <source>Masks are not applied; what they cover is read whole.</source>
        <translation>Masken werden nicht angewendet; was sie decken, wird ganz gelesen.</translation>
    </message>
    <message>
        <source>This element is not taken in.</source>
        <translation>Dieses Element wird nicht aufgenommen.</translation>
    </message>
    <message>
        <source>It is turned about the origin: boxes of their own are not applied.</source>
        <translation>Es ist um den Ursprung gedreht: eigene Kästen werden nicht angewendet.</translation>
    </message>
    <message>
        <source>Its window has no size, so nothing of it is shown.</source>
        <translation>Sein Fenster hat keine Größe, darum ist nichts davon zu sehen.</translation>
    </message>
    <message>
        <source>Markers are signs at its vertices; nothing is made of them.</source>
        <translation>Marken sind Zeichen an seinen Ecken; aus ihnen wird nichts gemacht.</translation>
    </message>
    <message>
        <source>no colour</source>
        <translation>keine Farbe</translation>
    </message>
    <message>
        <source>Its data break off; it was read as far as they go.</source>
        <translation>Seine Daten brechen ab; gelesen wurde, so weit sie reichen.</translation>
    </message>
    <message>
        <source>clip path</source>
        <translation>Beschneidungspfad</translation>
    </message>
    <message>
        <source>It is given in shares of a group's box; it is not applied.</source>
        <translation>Er ist in Anteilen des Kastens einer Gruppe gegeben; er wird nicht angewendet.</translation>
    </message>
    <message>
        <source>It lies outside the file; nothing outside is opened.</source>
        <translation>Es liegt außerhalb der Datei; draußen wird nichts geöffnet.</translation>
    </message>
    <message>
        <source>numbers in texts</source>
        <translation>Zahlen in Texten</translation>
    </message>
    <message>
        <source>It was read as {0}, as was chosen.</source>
        <translation>Gelesen als {0!t}, wie gewählt.</translation>
    </message>
    <message>
        <source>measurement flag</source>
        <translation>Merker des Maßsystems</translation>
    </message>
    <message>
        <source>The header's measurement flag says {0}.</source>
        <translation>Der Merker des Maßsystems im Kopf sagt {0!t}.</translation>
    </message>
    <message>
        <source>It is drawn in pixels, 96 to the inch by the standard.</source>
        <translation>Sie ist in Bildpunkten gezeichnet, nach der Norm 96 je Zoll.</translation>
    </message>
    <message>
        <source>The header declares {0}.</source>
        <translation>Der Kopf erklärt {0!t}.</translation>
    </message>
    <message>
        <source>Its width is given in {0}, against its viewBox.</source>
        <translation>Ihre Breite ist in {0!t} gegeben, gegen ihre viewBox.</translation>
    </message>
    <message>
        <source>A page is measured in points of 1/72 inch, or in what it says instead.</source>
        <translation>Eine Seite misst in Punkten von 1/72 Zoll, oder in dem, was sie stattdessen sagt.</translation>
    </message>
    <message>
        <source>The picture says how many of its dots make an inch, or was taken as 96.</source>
        <translation>Das Bild sagt, wie viele seiner Punkte ein Zoll sind, oder wurde mit 96 genommen.</translation>
    </message>
    <message>
        <source>other files</source>
        <translation>andere Dateien</translation>
    </message>
    <message>
        <source>Another file of this job is in {0}.</source>
        <translation>Eine andere Datei dieses Auftrags ist in {0!t}.</translation>
    </message>
    <message>
        <source>A note says that dimensions are in {0}.</source>
        <translation>Eine Notiz sagt, dass Maße in {0!t} sind.</translation>
    </message>
    <message>
        <source>{0} texts speak of {1}.</source>
        <translation>{0} Texte sprechen von {1!t}.</translation>
    </message>
    <message>
        <source>scale note</source>
        <translation>Maßstabsnotiz</translation>
    </message>
    <message>
        <source>A note says scale {0}.</source>
        <translation>Eine Notiz sagt Maßstab {0}.</translation>
    </message>
    <message>
        <source>metric units</source>
        <translation>metrische Einheiten</translation>
    </message>
    <message>
        <source>way of writing</source>
        <translation>Schreibweise</translation>
    </message>
    <message>
        <source>{0} texts are written the way that {1} are.</source>
        <translation>{0} Texte sind so geschrieben wie {1!t}.</translation>
    </message>
    <message>
        <source>As {0}, round sizes: {1} of {2}.</source>
        <translation>Als {0!t}, runde Größen: {1} von {2}.</translation>
    </message>
    <message>
        <source>In {0} the {1} is a sheet {2}.</source>
        <translation>In {0!t} ist {1!t} ein Blatt {2}.</translation>
    </message>
    <message>
        <source>, with holes of {0} mm</source>
        <translation>, mit Löchern von {0} mm</translation>
    </message>
    <message>
        <source>overall size</source>
        <translation>Gesamtgröße</translation>
    </message>
    <message>
        <source>Layer {0} has {1} places that could be the mark.</source>
        <translation>Layer {0} hat {1} Stellen, die die Marke sein könnten.</translation>
    </message>
    <message>
        <source>Leave one cross, circle or point on it.</source>
        <translation>Bitte ein Kreuz, einen Kreis oder einen Punkt darauf lassen.</translation>
    </message>
    <message>
        <source>Layer {0} has no mark.</source>
        <translation>Layer {0} hat keine Marke.</translation>
    </message>
    <message>
        <source>A mark is a point, a circle, or two lines that cross.</source>
        <translation>Eine Marke ist ein Punkt, ein Kreis oder zwei sich kreuzende Linien.</translation>
    </message>
    <message>
        <source>Least distance</source>
        <translation>Kleinster Abstand</translation>
    </message>
    <message>
        <source> of source {0}</source>
        <translation> von Quelle {0}</translation>
    </message>
    <message>
        <source>Unit{0}: {1}{2}</source>
        <translation>Einheit{0!t}: {1!t}{2!t}</translation>
    </message>
    <message>
        <source>Scale to {0}</source>
        <translation>Skalieren auf {0!t}</translation>
    </message>
    <message>
        <source> in X and {0} in Y</source>
        <translation> in X und {0} in Y</translation>
    </message>
    <message>
        <source>Scale by {0}{1}{2}</source>
        <translation>Skalieren mit {0}{1!t}{2!t}</translation>
    </message>
    <message>
        <source>The drawing has no size to be scaled from.</source>
        <translation>Die Zeichnung hat keine Größe, von der aus skaliert werden kann.</translation>
    </message>
    <message>
        <source>Turn by {0}° about the {1}{2}</source>
        <translation>Um {0}° drehen, um {1!t}{2!t}</translation>
    </message>
    <message>
        <source>The angle is no number.</source>
        <translation>Der Winkel ist keine Zahl.</translation>
    </message>
    <message>
        <source>Type it in degrees.</source>
        <translation>Bitte in Grad tippen.</translation>
    </message>
    <message>
        <source>left and right</source>
        <translation>links und rechts</translation>
    </message>
    <message>
        <source>top and bottom</source>
        <translation>oben und unten</translation>
    </message>
    <message>
        <source>Mirror {0} about the {1}</source>
        <translation>{0!t} spiegeln, um {1!t}</translation>
    </message>
    <message>
        <source>Origin as drawn</source>
        <translation>Ursprung wie gezeichnet</translation>
    </message>
    <message>
        <source>Origin lower left</source>
        <translation>Ursprung unten links</translation>
    </message>
    <message>
        <source>Origin in the centre</source>
        <translation>Ursprung in der Mitte</translation>
    </message>
    <message>
        <source>Origin at {0}, {1} mm</source>
        <translation>Ursprung bei {0}, {1} mm</translation>
    </message>
    <message>
        <source>Origin at {0}, {1} in the file's numbers</source>
        <translation>Ursprung bei {0}, {1} in den Zahlen der Datei</translation>
    </message>
    <message>
        <source>Origin in the centre of #{0}</source>
        <translation>Ursprung in der Mitte von #{0}</translation>
    </message>
    <message>
        <source>Origin at the mark on {0}</source>
        <translation>Ursprung an der Marke auf {0}</translation>
    </message>
    <message>
        <source>The origin needs two numbers.</source>
        <translation>Der Ursprung braucht zwei Zahlen.</translation>
    </message>
    <message>
        <source>Type X and Y.</source>
        <translation>Bitte X und Y tippen.</translation>
    </message>
    <message>
        <source>Curve #{0} has no centre.</source>
        <translation>Kurve #{0} hat keine Mitte.</translation>
    </message>
    <message>
        <source>Choose a circle or an arc.</source>
        <translation>Bitte einen Kreis oder einen Bogen wählen.</translation>
    </message>
    <message>
        <source>{0} mm wide</source>
        <translation>{0} mm breit</translation>
    </message>
    <message>
        <source>turned by {0}°</source>
        <translation>um {0}° gedreht</translation>
    </message>
    <message>
        <source>its origin</source>
        <translation>ihr Ursprung</translation>
    </message>
    <message>
        <source>its lower left</source>
        <translation>ihre Ecke unten links</translation>
    </message>
    <message>
        <source>its centre</source>
        <translation>ihre Mitte</translation>
    </message>
    <message>
        <source>{0} at {1}, {2} mm</source>
        <translation>{0!t} bei {1}, {2} mm</translation>
    </message>
    <message>
        <source>Place source {0}: {1}</source>
        <translation>Quelle {0} setzen: {1!t}</translation>
    </message>
    <message>
        <source>The place is no number.</source>
        <translation>Die Stelle ist keine Zahl.</translation>
    </message>
    <message>
        <source>Choose one that the job has.</source>
        <translation>Bitte eine wählen, die der Auftrag hat.</translation>
    </message>
    <message>
        <source>Nothing had to change.</source>
        <translation>Nichts musste sich ändern.</translation>
    </message>
    <message>
        <source>no length changed</source>
        <translation>keine Länge geändert</translation>
    </message>
    <message>
        <source>its lengths are {0} times what they were</source>
        <translation>ihre Längen sind das {0}-fache</translation>
    </message>
    <message>
        <source>its place moved by {0}, {1} mm</source>
        <translation>ihre Stelle um {0}, {1} mm verschoben</translation>
    </message>
    <message>
        <source>Of this source {0}; {1}. The others stayed.</source>
        <translation>Von dieser Quelle {0!t}; {1!t}. Die anderen blieben.</translation>
    </message>
    <message>
        <source>The source has no width to be scaled from.</source>
        <translation>Die Quelle hat keine Breite, von der aus skaliert werden kann.</translation>
    </message>
    <message>
        <source>a dimension</source>
        <translation>ein Maß</translation>
    </message>
    <message>
        <source>Mark {0}: {1}</source>
        <translation>{0!t} kennzeichnen: {1!t}</translation>
    </message>
    <message>
        <source>Take the mark off {0}</source>
        <translation>Die Marke von {0!t} nehmen</translation>
    </message>
    <message>
        <source>Nothing moves: the geometry is what counts.</source>
        <translation>Nichts bewegt sich: es gilt die Geometrie.</translation>
    </message>
    <message>
        <source>lower left</source>
        <translation>Ecke unten links</translation>
    </message>
    <message>
        <source>The origin follows the {0} of what goes out: everything moved by {1}.</source>
        <translation>Der Ursprung folgt: {0!t} dessen, was hinausgeht; alles wurde um {1} verschoben.</translation>
    </message>
    <message>
        <source>A scale of {0} makes no sense.</source>
        <translation>Ein Maßstab von {0} ergibt keinen Sinn.</translation>
    </message>
    <message>
        <source>Use a factor above 0.</source>
        <translation>Bitte einen Faktor über 0 nehmen.</translation>
    </message>
    <message>
        <source>Everything moved together by {0}.</source>
        <translation>Alles wurde zusammen um {0} verschoben.</translation>
    </message>
    <message>
        <source>Everything moved together; no length changed.</source>
        <translation>Alles wurde zusammen verschoben; keine Länge geändert.</translation>
    </message>
    <message>
        <source>Lengths of this source</source>
        <translation>Längen dieser Quelle</translation>
    </message>
    <message>
        <source>{0} are {1} times what they were.</source>
        <translation>{0!t} sind das {1}-fache von vorher.</translation>
    </message>
    <message>
        <source>Widths are {0} and heights {1} times what they were.</source>
        <translation>Breiten sind das {0}-fache und Höhen das {1}-fache von vorher.</translation>
    </message>
    <message>
        <source>Rename {0} to {1}</source>
        <translation>{0} in {1} umbenennen</translation>
    </message>
    <message>
        <source>Make {0} a {1} sketch</source>
        <translation>{0} zu einer Skizze „{1!t}“ machen</translation>
    </message>
    <message>
        <source>Place {0} on a plane</source>
        <translation>{0} auf eine Ebene setzen</translation>
    </message>
    <message>
        <source>Note on {0}</source>
        <translation>Notiz zu {0}</translation>
    </message>
    <message>
        <source>Line style of {0}</source>
        <translation>Linienart von {0}</translation>
    </message>
    <message>
        <source>There is a sketch “{0}” already.</source>
        <translation>Eine Skizze „{0}“ gibt es schon.</translation>
    </message>
    <message>
        <source>Merge the two, or choose a name.</source>
        <translation>Bitte beide vereinen oder einen Namen wählen.</translation>
    </message>
    <message>
        <source>A sketch needs a name.</source>
        <translation>Eine Skizze braucht einen Namen.</translation>
    </message>
    <message>
        <source>No curve moves.</source>
        <translation>Keine Kurve bewegt sich.</translation>
    </message>
    <message>
        <source>Reorder the sketches</source>
        <translation>Die Skizzen umordnen</translation>
    </message>
    <message>
        <source>Merge {0} into {1}</source>
        <translation>{0} mit {1} vereinen</translation>
    </message>
    <message>
        <source>Nothing to merge.</source>
        <translation>Nichts zu vereinen.</translation>
    </message>
    <message>
        <source>{0} joined {1}.</source>
        <translation>Zu {1} kam: {0}.</translation>
    </message>
    <message>
        <source>Duplicate {0} as {1}</source>
        <translation>{0} als {1} verdoppeln</translation>
    </message>
    <message>
        <source>{0} curves copied.</source>
        <translation>{0} Kurven kopiert.</translation>
    </message>
    <message>
        <source>Delete {0}</source>
        <translation>{0} löschen</translation>
    </message>
    <message>
        <source>{0} put aside.</source>
        <translation>{0} beiseitegelegt.</translation>
    </message>
    <message>
        <source>Move {0} to {1}</source>
        <translation>{0} nach {1} bringen</translation>
    </message>
    <message>
        <source>{0} went to {1}.{2}</source>
        <translation>{0} nach {1}.{2!t}</translation>
    </message>
    <message>
        <source>Put {0} aside{1}</source>
        <translation>{0} beiseitelegen{1!t}</translation>
    </message>
    <message>
        <source>{0} put aside.{1}</source>
        <translation>{0} beiseitegelegt.{1!t}</translation>
    </message>
    <message>
        <source>Bring {0} back</source>
        <translation>{0} zurückholen</translation>
    </message>
    <message>
        <source>{0} came back.</source>
        <translation>{0} kam zurück.</translation>
    </message>
    <message>
        <source>no longer </source>
        <translation>nicht mehr </translation>
    </message>
    <message>
        <source>A role needs a name.</source>
        <translation>Eine Rolle braucht einen Namen.</translation>
    </message>
    <message>
        <source>No curve moves.{0}</source>
        <translation>Keine Kurve bewegt sich.{0!t}</translation>
    </message>
    <message>
        <source>Line style of the role {0}</source>
        <translation>Linienart der Rolle {0}</translation>
    </message>
    <message>
        <source>Group {0} as {1}</source>
        <translation>{0} als {1} gruppieren</translation>
    </message>
    <message>
        <source>A group needs a name without #.</source>
        <translation>Eine Gruppe braucht einen Namen ohne #.</translation>
    </message>
    <message>
        <source>Nothing to group.</source>
        <translation>Nichts zu gruppieren.</translation>
    </message>
    <message>
        <source>Copy the group {0}</source>
        <translation>Die Gruppe {0} kopieren</translation>
    </message>
    <message>
        <source>Move the group {0}</source>
        <translation>Die Gruppe {0} verschieben</translation>
    </message>
    <message>
        <source>{0} moved by {1} mm.</source>
        <translation>{0} um {1} mm verschoben.</translation>
    </message>
    <message>
        <source>Take the group {0} apart</source>
        <translation>Die Gruppe {0} auflösen</translation>
    </message>
    <message>
        <source>There is no sketch “{0}”.</source>
        <translation>Es gibt keine Skizze „{0}“.</translation>
    </message>
    <message>
        <source>There is no group “{0}”.</source>
        <translation>Es gibt keine Gruppe „{0}“.</translation>
    </message>
    <message>
        <source>title block</source>
        <translation>Schriftfeld</translation>
    </message>
    <message>
        <source>centre lines</source>
        <translation>Mittellinien</translation>
    </message>
    <message>
        <source>hidden lines</source>
        <translation>verdeckte Linien</translation>
    </message>
    <message>
        <source>helping lines</source>
        <translation>Hilfslinien</translation>
    </message>
    <message>
        <source>lines of neighbouring parts</source>
        <translation>Linien benachbarter Teile</translation>
    </message>
    <message>
        <source>A rectangle round everything else, the border of a sheet.</source>
        <translation>Ein Rechteck um alles andere, der Rand eines Blattes.</translation>
    </message>
    <message>
        <source>Layer {0} sounds like {1}.</source>
        <translation>Layer {0} klingt nach: {1!t}.</translation>
    </message>
    <message>
        <source>The line type {0} is used for {1}.</source>
        <translation>Die Linienart {0} dient für: {1!t}.</translation>
    </message>
    <message>
        <source>line type</source>
        <translation>Linienart</translation>
    </message>
    <message>
        <source>weight {0} mm</source>
        <translation>Stärke {0} mm</translation>
    </message>
    <message>
        <source>default weight</source>
        <translation>übliche Stärke</translation>
    </message>
    <message>
        <source>no block</source>
        <translation>kein Block</translation>
    </message>
    <message>
        <source>“{0}” is no filter.</source>
        <translation>„{0}“ ist kein Filter.</translation>
    </message>
    <message>
        <source>Try “circles under 3 mm”, “arcs radius 5” or “lines on NOTES”.</source>
        <translation>Versuchen Sie “circles under 3 mm”, “arcs radius 5” oder “lines on NOTES”.</translation>
    </message>
    <message>
        <source>Take layers {0}</source>
        <translation>Layer nehmen: {0}</translation>
    </message>
    <message>
        <source>Leave out {0}</source>
        <translation>Weglassen: {0}</translation>
    </message>
    <message>
        <source>{0} sketches with {1} of {2} curves.</source>
        <translation>{0} Skizzen mit {1} von {2} Kurven.</translation>
    </message>
    <message>
        <source>Route by {0} rules</source>
        <translation>Zuordnen nach {0} Regeln</translation>
    </message>
    <message>
        <source>Route {0} to {1}</source>
        <translation>{0} nach {1} zuordnen</translation>
    </message>
    <message>
        <source>{0} sketches; {1} curves moved to another, {2} left out.</source>
        <translation>{0} Skizzen; {1} Kurven kamen in eine andere, {2} weggelassen.</translation>
    </message>
    <message>
        <source>facet run</source>
        <translation>Facettenzug</translation>
    </message>
    <message>
        <source>Make {0} of {1} facets</source>
        <translation>{0!t} aus {1} Facetten machen</translation>
    </message>
    <message>
        <source>Round the corner anew, tangent to both lines</source>
        <translation>Die Ecke neu verrunden, tangential an beide Linien</translation>
    </message>
    <message>
        <source>Bend the arc so that it is tangent</source>
        <translation>Den Bogen biegen, bis er tangential ist</translation>
    </message>
    <message>
        <source>Drop it</source>
        <translation>Weglassen</translation>
    </message>
    <message>
        <source>Draw {0}</source>
        <translation>{0!t} zeichnen</translation>
    </message>
    <message>
        <source>What was to be drawn cannot be read.</source>
        <translation>Was gezeichnet werden sollte, ist nicht zu lesen.</translation>
    </message>
    <message>
        <source>What was to be drawn has no length.</source>
        <translation>Was gezeichnet werden sollte, hat keine Länge.</translation>
    </message>
    <message>
        <source>Nothing that was there changes.</source>
        <translation>Nichts, was da war, ändert sich.</translation>
    </message>
    <message>
        <source>That would leave nothing of the curves.</source>
        <translation>Das ließe nichts von den Kurven übrig.</translation>
    </message>
    <message>
        <source>That many copies cannot be made.</source>
        <translation>So viele Kopien lassen sich nicht machen.</translation>
    </message>
    <message>
        <source>Ask for at most 10,000.</source>
        <translation>Bitte höchstens 10.000.</translation>
    </message>
    <message>
        <source>Draw or choose what it is to meet.</source>
        <translation>Zeichnen oder wählen, worauf es treffen soll.</translation>
    </message>
    <message>
        <source>Fillet {0} mm</source>
        <translation>Verrundung {0} mm</translation>
    </message>
    <message>
        <source>Chamfer {0} mm</source>
        <translation>Fase {0} mm</translation>
    </message>
    <message>
        <source>#{0} and #{1} lie in two sketches.</source>
        <translation>#{0} und #{1} liegen in zwei Skizzen.</translation>
    </message>
    <message>
        <source>Move them into one.</source>
        <translation>Bitte in eine bringen.</translation>
    </message>
    <message>
        <source>Only the corner of two lines or arcs can be rounded.</source>
        <translation>Nur die Ecke zweier Linien oder Bögen lässt sich verrunden.</translation>
    </message>
    <message>
        <source>Choose two of them.</source>
        <translation>Bitte zwei davon wählen.</translation>
    </message>
    <message>
        <source>{0} mm do not fit between #{1} and #{2}.</source>
        <translation>{0} mm passen nicht zwischen #{1} und #{2}.</translation>
    </message>
    <message>
        <source>Use a smaller one.</source>
        <translation>Bitte ein kleineres nehmen.</translation>
    </message>
    <message>
        <source>Offset {0} mm, both sides</source>
        <translation>Versatz {0} mm, beide Seiten</translation>
    </message>
    <message>
        <source>Offset {0} mm</source>
        <translation>Versatz {0} mm</translation>
    </message>
    <message>
        <source>Nothing is left at {0} mm.</source>
        <translation>Bei {0} mm bleibt nichts übrig.</translation>
    </message>
    <message>
        <source>Use a smaller distance.</source>
        <translation>Bitte einen kleineren Abstand nehmen.</translation>
    </message>
    <message>
        <source>{0} chains leave nothing at that distance.</source>
        <translation>{0} Ketten lassen bei diesem Abstand nichts übrig.</translation>
    </message>
    <message>
        <source>Join curves</source>
        <translation>Kurven verbinden</translation>
    </message>
    <message>
        <source>No two of these curves meet end to end.</source>
        <translation>Keine zwei dieser Kurven treffen Ende an Ende.</translation>
    </message>
    <message>
        <source>Close the gap between them first.</source>
        <translation>Bitte zuerst die Lücke dazwischen schließen.</translation>
    </message>
    <message>
        <source>{0} curves joined.{1}</source>
        <translation>{0} Kurven verbunden.{1!t}</translation>
    </message>
    <message>
        <source>1 spline or ellipse</source>
        <translation>1 Spline oder Ellipse</translation>
    </message>
    <message>
        <source>{0} splines and ellipses</source>
        <translation>{0} Splines und Ellipsen</translation>
    </message>
    <message>
        <source> {0} became tangent arcs, within {1} mm.</source>
        <translation> {0!t} wurden tangentiale Bögen, auf {1} mm genau.</translation>
    </message>
    <message>
        <source>Nothing in its sketch meets #{}, so there is no part to take out.</source>
        <translation>Nichts in ihrer Skizze trifft #{0}, also gibt es keinen Teil, der wegfallen könnte.</translation>
    </message>
    <message>
        <source>Ellipses and splines cannot be cut by hand.</source>
        <translation>Ellipsen und Splines lassen sich nicht von Hand schneiden.</translation>
    </message>
    <message>
        <source>Make arcs of them first.</source>
        <translation>Bitte zuerst Bögen daraus machen.</translation>
    </message>
    <message>
        <source>Close the circle</source>
        <translation>Den Kreis schließen</translation>
    </message>
    <message>
        <source>Close it with a line</source>
        <translation>Mit einer Linie schließen</translation>
    </message>
    <message>
        <source>missing piece</source>
        <translation>fehlendes Stück</translation>
    </message>
    <message>
        <source>Draw the missing arc</source>
        <translation>Den fehlenden Bogen zeichnen</translation>
    </message>
    <message>
        <source>Draw the missing side</source>
        <translation>Die fehlende Seite zeichnen</translation>
    </message>
    <message>
        <source>Cut both there</source>
        <translation>Beide dort schneiden</translation>
    </message>
    <message>
        <source>Cut it there</source>
        <translation>Dort schneiden</translation>
    </message>
    <message>
        <source>Keep one of them</source>
        <translation>Eine davon behalten</translation>
    </message>
    <message>
        <source>Make one curve of them</source>
        <translation>Eine Kurve daraus machen</translation>
    </message>
    <message>
        <source>Bridge with a line</source>
        <translation>Mit einer Linie überbrücken</translation>
    </message>
    <message>
        <source>Draw the ends together</source>
        <translation>Die Enden zusammenziehen</translation>
    </message>
    <message>
        <source>Extend to the curve</source>
        <translation>Bis zur Kurve verlängern</translation>
    </message>
    <message>
        <source>dead end</source>
        <translation>Sackgasse</translation>
    </message>
    <message>
        <source>Trim it</source>
        <translation>Stutzen</translation>
    </message>
    <message>
        <source>The same curve lies here twice.</source>
        <translation>Dieselbe Kurve liegt hier zweimal.</translation>
    </message>
    <message>
        <source>Two curves run over each other for a part of their length.</source>
        <translation>Zwei Kurven laufen ein Stück ihrer Länge übereinander.</translation>
    </message>
    <message>
        <source>A crumb of a line that links nothing.</source>
        <translation>Ein Krümel von einer Linie, der nichts verbindet.</translation>
    </message>
    <message>
        <source>Ends that should meet do not.</source>
        <translation>Enden, die sich treffen sollten, tun es nicht.</translation>
    </message>
    <message>
        <source>A curve runs past the corner where it should stop.</source>
        <translation>Eine Kurve läuft über die Ecke hinaus, an der sie enden sollte.</translation>
    </message>
    <message>
        <source>A piece hangs on a profile and leads nowhere.</source>
        <translation>Ein Stück hängt an einer Kontur und führt nirgendwohin.</translation>
    </message>
    <message>
        <source>Two curves cross without an end there.</source>
        <translation>Zwei Kurven kreuzen sich, ohne dass dort ein Ende ist.</translation>
    </message>
    <message>
        <source>A curve crosses itself.</source>
        <translation>Eine Kurve kreuzt sich selbst.</translation>
    </message>
    <message>
        <source>A profile that is closed but for a small mouth, wider than the tolerance.</source>
        <translation>Eine Kontur, die bis auf einen kleinen Mund geschlossen ist, weiter als die Toleranz.</translation>
    </message>
    <message>
        <source>A chain that lacks one side or one arc.</source>
        <translation>Eine Kette, der eine Seite oder ein Bogen fehlt.</translation>
    </message>
    <message>
        <source>A free-standing piece that belongs to no closed profile.</source>
        <translation>Ein freistehendes Stück, das zu keiner geschlossenen Kontur gehört.</translation>
    </message>
    <message>
        <source>An end with no partner within the tolerance.</source>
        <translation>Ein Ende ohne Gegenstück innerhalb der Toleranz.</translation>
    </message>
    <message>
        <source>Short straight pieces stand for an arc or a circle.</source>
        <translation>Kurze gerade Stücke stehen für einen Bogen oder Kreis.</translation>
    </message>
    <message>
        <source>A curve that was meant to run on tangent turns a little here.</source>
        <translation>Eine Kurve, die tangential weiterlaufen sollte, knickt hier ein wenig.</translation>
    </message>
    <message>
        <source>It stood tilted out of the drawing plane and was laid flat: seen from above it is shorter.</source>
        <translation>Sie stand aus der Zeichenebene gekippt und wurde flach gelegt: von oben gesehen ist sie kürzer.</translation>
    </message>
    <message>
        <source>Bridge with an arc, tangent at the first end</source>
        <translation>Mit einem Bogen überbrücken, tangential am ersten Ende</translation>
    </message>
    <message>
        <source>Bridge with an arc, tangent at the second end</source>
        <translation>Mit einem Bogen überbrücken, tangential am zweiten Ende</translation>
    </message>
    <message>
        <source>Move only the second end</source>
        <translation>Nur das zweite Ende bewegen</translation>
    </message>
    <message>
        <source>Move only the first end</source>
        <translation>Nur das erste Ende bewegen</translation>
    </message>
    <message>
        <source>Keep the other one</source>
        <translation>Die andere behalten</translation>
    </message>
    <message>
        <source>Splines to arcs, within {0} mm</source>
        <translation>Splines zu Bögen, auf {0} mm</translation>
    </message>
    <message>
        <source>{0} curves became {1} arcs.</source>
        <translation>{0} Kurven wurden {1} Bögen.</translation>
    </message>
    <message>
        <source>There are no splines or ellipses.</source>
        <translation>Es gibt keine Splines oder Ellipsen.</translation>
    </message>
    <message>
        <source>Tangents made true, within {0} mm</source>
        <translation>Tangenten richtig gemacht, auf {0} mm</translation>
    </message>
    <message>
        <source>No missed tangent was found within this.</source>
        <translation>Keine verfehlte Tangente fand sich so nahe.</translation>
    </message>
    <message>
        <source>Square up, within {0} mm</source>
        <translation>Rechtwinklig gemacht, auf {0} mm</translation>
    </message>
    <message>
        <source>Nothing is off by that little.</source>
        <translation>Nichts weicht so wenig ab.</translation>
    </message>
    <message>
        <source>Every second vertex out</source>
        <translation>Jede zweite Ecke weg</translation>
    </message>
    <message>
        <source>Simplify, within {0} mm</source>
        <translation>Vereinfacht, auf {0} mm</translation>
    </message>
    <message>
        <source>{0} vertices and arcs became {1}.</source>
        <translation>{0} Ecken und Bögen wurden {1}.</translation>
    </message>
    <message>
        <source>No vertex can go.</source>
        <translation>Keine Ecke kann wegfallen.</translation>
    </message>
    <message>
        <source>{0} curves became exact.</source>
        <translation>{0} Kurven wurden genau.</translation>
    </message>
    <message>
        <source>{0} curve became exact.</source>
        <translation>{0} Kurve wurde genau.</translation>
    </message>
    <message>
        <source>This needs a tolerance above 0.</source>
        <translation>Das braucht eine Toleranz über 0.</translation>
    </message>
    <message>
        <source>Type a length in mm.</source>
        <translation>Bitte eine Länge in mm tippen.</translation>
    </message>
    <message>
        <source>Keep the smooth curve, drop its facets</source>
        <translation>Die glatte Kurve behalten, ihre Facetten weglassen</translation>
    </message>
    <message>
        <source>Mend one {0}</source>
        <translation>Ein Befund geheilt: {0!t}</translation>
    </message>
    <message>
        <source>proposed gap</source>
        <translation>vorgeschlagene Lücke</translation>
    </message>
    <message>
        <source>Mend all, {0}</source>
        <translation>Alles heilen, {0!t}</translation>
    </message>
    <message>
        <source>Mend {0} findings, {1}</source>
        <translation>{0} Befunde heilen, {1!t}</translation>
    </message>
    <message>
        <source>Mending {0}</source>
        <translation>{0} wird geheilt</translation>
    </message>
    <message>
        <source>Mend a part of it, or one kind of finding at a time.</source>
        <translation>Bitte einen Teil davon heilen, oder eine Art von Befund auf einmal.</translation>
    </message>
    <message>
        <source>Facets to arcs, within {0} mm</source>
        <translation>Facetten zu Bögen, auf {0} mm</translation>
    </message>
    <message>
        <source>Facets need tolerances above 0.</source>
        <translation>Facetten brauchen Toleranzen über 0.</translation>
    </message>
    <message>
        <source>{0} facets became arcs in {1}.</source>
        <translation>{0} Facetten wurden Bögen in {1!t}.</translation>
    </message>
    <message>
        <source>No run of facets was found.</source>
        <translation>Kein Facettenzug fand sich.</translation>
    </message>
    <message>
        <source>Up for fixing again.</source>
        <translation>Wieder zum Beheben.</translation>
    </message>
    <message>
        <source>Left as meant.</source>
        <translation>Belassen, weil so gemeint.</translation>
    </message>
    <message>
        <source>1 open end has its</source>
        <translation>1 offenes Ende hat sein</translation>
    </message>
    <message>
        <source>{0} open ends have their</source>
        <translation>{0} offene Enden haben ihr</translation>
    </message>
    <message>
        <source>{0} nearest partner about as far away as things that are meant to be apart ({1} mm): the smaller tolerance was taken, and they stay open ends until you close them.</source>
        <translation>{0!t} nächstes Gegenstück etwa so weit weg wie Dinge, die getrennt sein sollen ({1} mm): die kleinere Toleranz wurde genommen, und sie bleiben offene Enden, bis Sie sie schließen.</translation>
    </message>
    <message>
        <source>No gap stands out, so only ends that agree are joined.</source>
        <translation>Keine Lücke hebt sich ab, darum werden nur Enden verbunden, die zusammenfallen.</translation>
    </message>
    <message>
        <source>{0} of {1} open ends have a partner that near; the next are well beyond.</source>
        <translation>{0} von {1} offenen Enden haben so nahe ein Gegenstück; die nächsten liegen deutlich weiter.</translation>
    </message>
    <message>
        <source>Fixed: {0}.</source>
        <translation>Behoben: {0!t}.</translation>
    </message>
    <message>
        <source>Nothing to fix.</source>
        <translation>Nichts zu beheben.</translation>
    </message>
    <message>
        <source>1 region is</source>
        <translation>1 Fläche ist</translation>
    </message>
    <message>
        <source>{0} regions are</source>
        <translation>{0} Flächen sind</translation>
    </message>
    <message>
        <source>no end is</source>
        <translation>kein Ende ist</translation>
    </message>
    <message>
        <source>1 end is</source>
        <translation>1 Ende ist</translation>
    </message>
    <message>
        <source>{0} ends are</source>
        <translation>{0} Enden sind</translation>
    </message>
    <message>
        <source>From {0} to {1} mm {2} closed; at {3} mm {4} open.</source>
        <translation>Von {0} bis {1} mm: {2!t} geschlossen; bei {3} mm: {4!t} offen.</translation>
    </message>
    <message>
        <source>d{0} ({1}) measures nothing that is in a sketch.</source>
        <translation>d{0} ({1}) misst nichts, was in einer Skizze ist.</translation>
    </message>
    <message>
        <source>“{0}” is no name.</source>
        <translation>„{0}“ ist kein Name.</translation>
    </message>
    <message>
        <source>Begin with a letter; letters, digits and _ may follow.</source>
        <translation>Mit einem Buchstaben beginnen; Buchstaben, Ziffern und _ dürfen folgen.</translation>
    </message>
    <message>
        <source>“{0}” means something in formulas already.</source>
        <translation>„{0}“ bedeutet in Formeln schon etwas.</translation>
    </message>
    <message>
        <source>“{0}” is {1}, but a length is wanted.</source>
        <translation>„{0}“ ist {1!t}, gefragt ist aber eine Länge.</translation>
    </message>
    <message>
        <source>“{0}” is {1}, but an angle is wanted.</source>
        <translation>„{0}“ ist {1!t}, gefragt ist aber ein Winkel.</translation>
    </message>
    <message>
        <source>{0}, which never comes to an end.</source>
        <translation>{0}, und das nimmt kein Ende.</translation>
    </message>
    <message>
        <source>Give one of them a number.</source>
        <translation>Bitte einem davon eine Zahl geben.</translation>
    </message>
    <message>
        <source>“{0}” has no value.</source>
        <translation>„{0}“ hat keinen Wert.</translation>
    </message>
    <message>
        <source>a plain number</source>
        <translation>eine reine Zahl</translation>
    </message>
    <message>
        <source>a length</source>
        <translation>eine Länge</translation>
    </message>
    <message>
        <source>an angle</source>
        <translation>ein Winkel</translation>
    </message>
    <message>
        <source>an area</source>
        <translation>eine Fläche</translation>
    </message>
    <message>
        <source>a volume</source>
        <translation>ein Volumen</translation>
    </message>
    <message>
        <source>neither a length nor an angle</source>
        <translation>weder Länge noch Winkel</translation>
    </message>
    <message>
        <source>The formula is too long.</source>
        <translation>Die Formel ist zu lang.</translation>
    </message>
    <message>
        <source>Use {0} signs at most.</source>
        <translation>Bitte höchstens {0} Zeichen.</translation>
    </message>
    <message>
        <source>“{0}” cannot be read at “{1}”.</source>
        <translation>„{0}“ ist bei „{1}“ nicht zu lesen.</translation>
    </message>
    <message>
        <source>A value is wanted here.</source>
        <translation>Hier wird ein Wert erwartet.</translation>
    </message>
    <message>
        <source>cannot be read</source>
        <translation>ist nicht zu lesen</translation>
    </message>
    <message>
        <source>ends too early</source>
        <translation>endet zu früh</translation>
    </message>
    <message>
        <source>is nested too deeply</source>
        <translation>ist zu tief geschachtelt</translation>
    </message>
    <message>
        <source>adds {0} and {1}</source>
        <translation>zählt {0!t} und {1!t} zusammen</translation>
    </message>
    <message>
        <source>has a power that is no whole number up to {0}</source>
        <translation>hat eine Potenz, die keine ganze Zahl bis {0} ist</translation>
    </message>
    <message>
        <source>uses “{0}”, which nothing is called</source>
        <translation>nutzt „{0}“, wie nichts heißt</translation>
    </message>
    <message>
        <source>has a bracket that is not closed</source>
        <translation>hat eine Klammer, die nicht geschlossen ist</translation>
    </message>
    <message>
        <source>needs one angle in {0}</source>
        <translation>braucht einen Winkel in {0}</translation>
    </message>
    <message>
        <source>has different kinds in {0}</source>
        <translation>hat Verschiedenartiges in {0}</translation>
    </message>
    <message>
        <source>needs a plain number in {0}</source>
        <translation>braucht eine reine Zahl in {0}</translation>
    </message>
    <message>
        <source>takes the root of an odd power</source>
        <translation>zieht die Wurzel einer ungeraden Potenz</translation>
    </message>
    <message>
        <source>It has no ends.</source>
        <translation>Sie hat keine Enden.</translation>
    </message>
    <message>
        <source>equal radius</source>
        <translation>gleicher Radius</translation>
    </message>
    <message>
        <source>equal length</source>
        <translation>gleiche Länge</translation>
    </message>
    <message>
        <source>level points</source>
        <translation>Punkte waagrecht</translation>
    </message>
    <message>
        <source>upright points</source>
        <translation>Punkte senkrecht</translation>
    </message>
    <message>
        <source>centred x</source>
        <translation>zentriert x</translation>
    </message>
    <message>
        <source>centred y</source>
        <translation>zentriert y</translation>
    </message>
    <message>
        <source>Hold {0}</source>
        <translation>Halten: {0!t}</translation>
    </message>
    <message>
        <source>There is no constraint “{0}”.</source>
        <translation>Es gibt keine Bedingung „{0}“.</translation>
    </message>
    <message>
        <source>“{0}” holds already.</source>
        <translation>„{0}“ gilt schon.</translation>
    </message>
    <message>
        <source>“{0}” is implied by what holds already.</source>
        <translation>„{0}“ folgt aus dem, was schon gilt.</translation>
    </message>
    <message>
        <source>Nothing needs to be added.</source>
        <translation>Nichts muss hinzukommen.</translation>
    </message>
    <message>
        <source>Switch on {0}</source>
        <translation>Einschalten: {0!t}</translation>
    </message>
    <message>
        <source>Switch off {0}</source>
        <translation>Ausschalten: {0!t}</translation>
    </message>
    <message>
        <source>“{0}” is not in “{1}”.</source>
        <translation>„{0}“ ist nicht in „{1}“.</translation>
    </message>
    <message>
        <source>It may have been let go.</source>
        <translation>Sie wurde vielleicht losgelassen.</translation>
    </message>
    <message>
        <source>“{0}” is implied by what holds now.</source>
        <translation>„{0}“ folgt aus dem, was jetzt gilt.</translation>
    </message>
    <message>
        <source>Leave it off.</source>
        <translation>Bitte aus lassen.</translation>
    </message>
    <message>
        <source>Let go {0}</source>
        <translation>Loslassen: {0!t}</translation>
    </message>
    <message>
        <source>Let go {0} constraints</source>
        <translation>{0} Bedingungen loslassen</translation>
    </message>
    <message>
        <source>“{0}” does not hold in “{1}”.</source>
        <translation>„{0}“ gilt nicht in „{1}“.</translation>
    </message>
    <message>
        <source>It may be gone already.</source>
        <translation>Sie ist vielleicht schon fort.</translation>
    </message>
    <message>
        <source>Hold “{0}” whole</source>
        <translation>„{0}“ als Ganzes halten</translation>
    </message>
    <message>
        <source>Do not hold “{0}” whole</source>
        <translation>„{0}“ nicht als Ganzes halten</translation>
    </message>
    <message>
        <source>{0} is no point.</source>
        <translation>{0} ist kein Punkt.</translation>
    </message>
    <message>
        <source>{0} is nothing that is proposed.</source>
        <translation>{0} ist nichts, was vorgeschlagen ist.</translation>
    </message>
    <message>
        <source>A curve that keeps its form is tangent at its ends only.</source>
        <translation>Eine Kurve, die ihre Form behält, ist nur an ihren Enden tangential.</translation>
    </message>
    <message>
        <source>A line and a circle have no size in common.</source>
        <translation>Eine Linie und ein Kreis haben keine gemeinsame Größe.</translation>
    </message>
    <message>
        <source>{0} cannot be {1}.</source>
        <translation>{0} kann nicht {1} sein.</translation>
    </message>
    <message>
        <source>Give it a value above 0.</source>
        <translation>Bitte einen Wert über 0 geben.</translation>
    </message>
    <message>
        <source>Give it a value below 10 km.</source>
        <translation>Bitte einen Wert unter 10 km geben.</translation>
    </message>
    <message>
        <source>{0} cannot be a full turn or more.</source>
        <translation>{0} kann keine volle Drehung oder mehr sein.</translation>
    </message>
    <message>
        <source>Give it less than 360°.</source>
        <translation>Bitte weniger als 360° geben.</translation>
    </message>
    <message>
        <source>That cannot be: {0} and others cannot all hold.</source>
        <translation>Das kann nicht sein: {0} und andere können nicht alle gelten.</translation>
    </message>
    <message>
        <source>That cannot be: {0} cannot all hold.</source>
        <translation>Das kann nicht sein: {0} können nicht alle gelten.</translation>
    </message>
    <message>
        <source>Let one of them go, or give another value.</source>
        <translation>Bitte eines davon loslassen oder einen anderen Wert geben.</translation>
    </message>
    <message>
        <source>That cannot be reached without turning a line or an arc over.</source>
        <translation>Das ist nicht zu erreichen, ohne dass eine Linie oder ein Bogen umschlägt.</translation>
    </message>
    <message>
        <source>Give a value nearer to the present one.</source>
        <translation>Bitte einen Wert geben, der näher am jetzigen liegt.</translation>
    </message>
    <message>
        <source>No variants</source>
        <translation>Keine Varianten</translation>
    </message>
    <message>
        <source>Not in this drawing, so they would be parameters: {0}.</source>
        <translation>Nicht in dieser Zeichnung, sie wären also Parameter: {0}.</translation>
    </message>
    <message>
        <source>it has no length</source>
        <translation>sie hat keine Länge</translation>
    </message>
    <message>
        <source>the curve is not there, or was cut otherwise</source>
        <translation>die Kurve ist nicht da, oder sie wurde anders geschnitten</translation>
    </message>
    <message>
        <source>{0} has no {1}.</source>
        <translation>{0} hat keine {1}.</translation>
    </message>
    <message>
        <source>{0} spans nothing.</source>
        <translation>{0} überspannt nichts.</translation>
    </message>
    <message>
        <source>“{0}” is held whole, so nothing in it moves.</source>
        <translation>„{0}“ wird als Ganzes gehalten, darum bewegt sich nichts darin.</translation>
    </message>
    <message>
        <source>Let it move first.</source>
        <translation>Bitte zuerst freigeben.</translation>
    </message>
    <message>
        <source>There is none.</source>
        <translation>Es gibt keine.</translation>
    </message>
    <message>
        <source>Read off what holds, within {0} mm and {1}°</source>
        <translation>Ablesen, was gilt, auf {0} mm und {1}°</translation>
    </message>
    <message>
        <source>What holds is read off within 1 mm and 10° at most.</source>
        <translation>Was gilt, wird höchstens auf 1 mm und 10° abgelesen.</translation>
    </message>
    <message>
        <source>Give limits above 0.</source>
        <translation>Bitte Grenzen über 0 geben.</translation>
    </message>
    <message>
        <source>{0} constraints were read off.</source>
        <translation>{0} Bedingungen wurden abgelesen.</translation>
    </message>
    <message>
        <source>1 constraint was read off.</source>
        <translation>1 Bedingung wurde abgelesen.</translation>
    </message>
    <message>
        <source> {0}: more than {1} lines and arcs, so nothing was read off there.</source>
        <translation> {0}: mehr als {1} Linien und Bögen, darum wurde dort nichts abgelesen.</translation>
    </message>
    <message>
        <source>{0} bound, {1} of them drive.</source>
        <translation>{0} gebunden, {1} davon treiben.</translation>
    </message>
    <message>
        <source> {0} more are bound to nothing.</source>
        <translation> {0} weitere sind an nichts gebunden.</translation>
    </message>
    <message>
        <source>{0} is measured only</source>
        <translation>{0} wird nur gemessen</translation>
    </message>
    <message>
        <source>{0} is left as text</source>
        <translation>{0} bleibt als Text</translation>
    </message>
    <message>
        <source>{0} is only measured.</source>
        <translation>{0} wird nur gemessen.</translation>
    </message>
    <message>
        <source>Give a value to the radius or the angle.</source>
        <translation>Bitte dem Radius oder dem Winkel einen Wert geben.</translation>
    </message>
    <message>
        <source>{0} needs a value to drive by.</source>
        <translation>{0} braucht einen Wert, um zu treiben.</translation>
    </message>
    <message>
        <source>Type one, such as 150 or width/2.</source>
        <translation>Tippen Sie einen, etwa 150 oder width/2.</translation>
    </message>
    <message>
        <source>Dimension {0}: {1} of {2}</source>
        <translation>Maß {0}: {1!t} von {2}</translation>
    </message>
    <message>
        <source>Implied by what holds, so only measured: {0}.</source>
        <translation>Folgt aus dem, was gilt, und wird darum nur gemessen: {0}.</translation>
    </message>
    <message>
        <source>Place {0}</source>
        <translation>{0} setzen</translation>
    </message>
    <message>
        <source>Give X and Y in mm.</source>
        <translation>Bitte X und Y in mm geben.</translation>
    </message>
    <message>
        <source>Nothing of the part moves.</source>
        <translation>Nichts am Teil bewegt sich.</translation>
    </message>
    <message>
        <source>No parameter {0}</source>
        <translation>Kein Parameter {0}</translation>
    </message>
    <message>
        <source>A dimension is called {0}.</source>
        <translation>Ein Maß heißt {0}.</translation>
    </message>
    <message>
        <source>{0} uses {1}.</source>
        <translation>{0} nutzt {1}.</translation>
    </message>
    <message>
        <source>Change that first.</source>
        <translation>Bitte das zuerst ändern.</translation>
    </message>
    <message>
        <source>Call {0} {1}</source>
        <translation>{0} in {1} umbenennen</translation>
    </message>
    <message>
        <source>Nothing is called {0}.</source>
        <translation>Nichts heißt {0}.</translation>
    </message>
    <message>
        <source>Something is called {0} already.</source>
        <translation>Schon heißt etwas {0}.</translation>
    </message>
    <message>
        <source>Drag the {0}, both sides alike</source>
        <translation>Ziehen: {0!t}, beide Seiten gleich</translation>
    </message>
    <message>
        <source>Drag the {0}</source>
        <translation>Ziehen: {0!t}</translation>
    </message>
    <message>
        <source>Choose one that is there.</source>
        <translation>Bitte eines wählen, das da ist.</translation>
    </message>
    <message>
        <source>What holds keeps it where it is.</source>
        <translation>Was gilt, hält es, wo es ist.</translation>
    </message>
    <message>
        <source>There is no dimension {0}.</source>
        <translation>Es gibt kein Maß {0}.</translation>
    </message>
    <message>
        <source>{0} is no text in UTF-8.</source>
        <translation>{0} ist kein Text in UTF-8.</translation>
    </message>
    <message>
        <source>Save it as CSV in UTF-8.</source>
        <translation>Bitte als CSV in UTF-8 sichern.</translation>
    </message>
    <message>
        <source>{0} holds no variant.</source>
        <translation>{0} enthält keine Variante.</translation>
    </message>
    <message>
        <source>Begin with a row of names: variant, d1, d2...</source>
        <translation>Mit einer Zeile von Namen beginnen: variant, d1, d2...</translation>
    </message>
    <message>
        <source>{0} has {1} rows.</source>
        <translation>{0} hat {1} Zeilen.</translation>
    </message>
    <message>
        <source>Use {0} at most.</source>
        <translation>Bitte höchstens {0}.</translation>
    </message>
    <message>
        <source>Row {0} of {1} has more cells than there are names.</source>
        <translation>Zeile {0} von {1} hat mehr Zellen, als es Namen gibt.</translation>
    </message>
    <message>
        <source>Mend the table.</source>
        <translation>Bitte die Tabelle richten.</translation>
    </message>
    <message>
        <source>Row {0} of {1} has no name.</source>
        <translation>Zeile {0} von {1} hat keinen Namen.</translation>
    </message>
    <message>
        <source>Give it one in the first column.</source>
        <translation>Bitte in der ersten Spalte einen geben.</translation>
    </message>
    <message>
        <source>“{0}” and “{1}” of {2} would be one file.</source>
        <translation>„{0}“ und „{1}“ von {2} wären eine Datei.</translation>
    </message>
    <message>
        <source>Rename one.</source>
        <translation>Bitte eine umbenennen.</translation>
    </message>
    <message>
        <source>Take other values, or switch this step off.</source>
        <translation>Bitte andere Werte nehmen oder diesen Schritt ausschalten.</translation>
    </message>
    <message>
        <source>, turned {0} about {1}</source>
        <translation>, um {1} um {0} gedreht</translation>
    </message>
    <message>
        <source>{0} copies of {1}</source>
        <translation>{0} Kopien von {1}</translation>
    </message>
    <message>
        <source>{0} copies cannot be made at once.</source>
        <translation>{0} Kopien lassen sich nicht auf einmal machen.</translation>
    </message>
    <message>
        <source>Give a number from 0 to {0}.</source>
        <translation>Bitte eine Zahl von 0 bis {0} geben.</translation>
    </message>
    <message>
        <source>{0}: {1} scaled to {2} along {3}</source>
        <translation>{0}: {1} entlang {3} auf {2} skaliert</translation>
    </message>
    <message>
        <source>{0} is {1} mm along {2}, and would be {3} times as large.</source>
        <translation>{0} ist {1} mm entlang {2} und würde {3}-mal so groß.</translation>
    </message>
    <message>
        <source>Give a size between a ten-thousandth and ten thousand times of that.</source>
        <translation>Bitte eine Größe zwischen einem Zehntausendstel und dem Zehntausendfachen davon geben.</translation>
    </message>
    <message>
        <source>Scaled by {0}.</source>
        <translation>Mit {0} skaliert.</translation>
    </message>
    <message>
        <source>where it shares room with</source>
        <translation>wo es Raum teilt mit</translation>
    </message>
    <message>
        <source>Two different bodies are needed.</source>
        <translation>Zwei verschiedene Körper werden gebraucht.</translation>
    </message>
    <message>
        <source>Choose another one as well.</source>
        <translation>Bitte noch einen anderen wählen.</translation>
    </message>
    <message>
        <source>is called {0}</source>
        <translation>heißt {0}</translation>
    </message>
    <message>
        <source>has the colour #{0}</source>
        <translation>hat die Farbe #{0}</translation>
    </message>
    <message>
        <source>is hidden</source>
        <translation>ist verborgen</translation>
    </message>
    <message>
        <source>is shown</source>
        <translation>ist zu sehen</translation>
    </message>
    <message>
        <source>is of {0}</source>
        <translation>ist aus {0!t}</translation>
    </message>
    <message>
        <source>has no density</source>
        <translation>hat keine Dichte</translation>
    </message>
    <message>
        <source>{0} as it is</source>
        <translation>{0} wie er ist</translation>
    </message>
    <message>
        <source>“{0}” cannot be its name: it is empty, or another body has it.</source>
        <translation>„{0}“ kann nicht sein Name sein: er ist leer, oder ein anderer Körper hat ihn.</translation>
    </message>
    <message>
        <source>Take away {0}</source>
        <translation>{0} wegnehmen</translation>
    </message>
    <message>
        <source>Nothing in “{0}” is closed.</source>
        <translation>Nichts in „{0}“ ist geschlossen.</translation>
    </message>
    <message>
        <source>Mend it first.</source>
        <translation>Bitte zuerst heilen.</translation>
    </message>
    <message>
        <source>Choose regions again.</source>
        <translation>Bitte Flächen neu wählen.</translation>
    </message>
    <message>
        <source>The line #{0} is no longer there.</source>
        <translation>Die Linie #{0} ist nicht mehr da.</translation>
    </message>
    <message>
        <source>Choose another axis.</source>
        <translation>Bitte eine andere Achse wählen.</translation>
    </message>
    <message>
        <source>An axis is a line of the sketch, or two places.</source>
        <translation>Eine Achse ist eine Linie der Skizze, oder zwei Stellen.</translation>
    </message>
    <message>
        <source>Choose a line.</source>
        <translation>Bitte eine Linie wählen.</translation>
    </message>
    <message>
        <source>The two places of the axis are one.</source>
        <translation>Die zwei Stellen der Achse sind eine.</translation>
    </message>
    <message>
        <source>Choose two that lie apart.</source>
        <translation>Bitte zwei wählen, die auseinander liegen.</translation>
    </message>
    <message>
        <source>all edges</source>
        <translation>alle Kanten</translation>
    </message>
    <message>
        <source>all upright edges</source>
        <translation>alle senkrechten Kanten</translation>
    </message>
    <message>
        <source>edges that rise from corners</source>
        <translation>Kanten, die von Ecken aufsteigen</translation>
    </message>
    <message>
        <source>rims of flat faces</source>
        <translation>Ränder ebener Flächen</translation>
    </message>
    <message>
        <source>convex edges</source>
        <translation>erhabene Kanten</translation>
    </message>
    <message>
        <source>concave edges</source>
        <translation>hohle Kanten</translation>
    </message>
    <message>
        <source>A {0} of {1} mm is none.</source>
        <translation>{0!t} von {1} mm ist keine.</translation>
    </message>
    <message>
        <source>Give a size above 0.</source>
        <translation>Bitte eine Größe über 0 geben.</translation>
    </message>
    <message>
        <source>No edge is chosen.</source>
        <translation>Keine Kante ist gewählt.</translation>
    </message>
    <message>
        <source>Pick edges, or choose a rule.</source>
        <translation>Kanten anklicken oder eine Regel wählen.</translation>
    </message>
    <message>
        <source>, first angle</source>
        <translation>, erster Winkel</translation>
    </message>
    <message>
        <source>, third angle</source>
        <translation>, dritter Winkel</translation>
    </message>
    <message>
        <source>, {0} views named</source>
        <translation>, {0} Ansichten genannt</translation>
    </message>
    <message>
        <source>, {0} proposals left out</source>
        <translation>, {0} Vorschläge weggelassen</translation>
    </message>
    <message>
        <source>Fold the views and make what they show{0}{1}{2}</source>
        <translation>Die Ansichten falten und machen, was sie zeigen{0!t}{1!t}{2!t}</translation>
    </message>
    <message>
        <source>Measuring the part</source>
        <translation>Das Teil wird gemessen</translation>
    </message>
    <message>
        <source>There is no sketch called “{0}”.</source>
        <translation>Es gibt keine Skizze namens „{0}“.</translation>
    </message>
    <message>
        <source>Look what they are called.</source>
        <translation>Bitte nachsehen, wie sie heißen.</translation>
    </message>
    <message>
        <source>There is nothing to be folded.</source>
        <translation>Es gibt nichts zu falten.</translation>
    </message>
    <message>
        <source>Take in a drawing with several views.</source>
        <translation>Bitte eine Zeichnung mit mehreren Ansichten aufnehmen.</translation>
    </message>
    <message>
        <source>Reading the views</source>
        <translation>Die Ansichten werden gelesen</translation>
    </message>
    <message>
        <source>from the left</source>
        <translation>von links</translation>
    </message>
    <message>
        <source>from the front</source>
        <translation>von vorn</translation>
    </message>
    <message>
        <source>from below</source>
        <translation>von unten</translation>
    </message>
    <message>
        <source>{0} mm in the {1} view, {2} mm in the {3} view</source>
        <translation>{0} mm in der Ansicht {1!t}, {2} mm in der Ansicht {3!t}</translation>
    </message>
    <message>
        <source>{0}, something lies at {1}.</source>
        <translation>{0!t} liegt etwas bei {1!t}.</translation>
    </message>
    <message>
        <source>{0} view, hidden lines</source>
        <translation>Ansicht {0!t}, verdeckte Linien</translation>
    </message>
    <message>
        <source>{0}: {1}; taken as {2}.</source>
        <translation>{0!t}: {1!t}; genommen als {2}.</translation>
    </message>
    <message>
        <source>on a slope</source>
        <translation>an einer Schräge</translation>
    </message>
    <message>
        <source>round or sloping</source>
        <translation>rund oder schräg</translation>
    </message>
    <message>
        <source>not found in the other views</source>
        <translation>in den anderen Ansichten nicht gefunden</translation>
    </message>
    <message>
        <source>seen at {0} mm</source>
        <translation>bei {0} mm gesehen</translation>
    </message>
    <message>
        <source>hidden, from behind to {0} mm</source>
        <translation>verdeckt, von hinten bis {0} mm</translation>
    </message>
    <message>
        <source>Nothing lies in the box of the {0} view.</source>
        <translation>Im Kasten der Ansicht {0!t} liegt nichts.</translation>
    </message>
    <message>
        <source>Draw it round the whole view.</source>
        <translation>Bitte um die ganze Ansicht ziehen.</translation>
    </message>
    <message>
        <source>A front view and at least one other are needed.</source>
        <translation>Gebraucht werden eine Vorderansicht und mindestens eine andere.</translation>
    </message>
    <message>
        <source>Name them by boxes.</source>
        <translation>Bitte mit Kästen nennen.</translation>
    </message>
    <message>
        <source>the part's own views agree with the drawing in {0} of their lines</source>
        <translation>die Ansichten des Teils stimmen in {0} ihrer Linien mit der Zeichnung überein</translation>
    </message>
    <message>
        <source>, read the other way in {0}</source>
        <translation>, andersherum gelesen zu {0}</translation>
    </message>
    <message>
        <source> The view beside the front view is drawn turned over.</source>
        <translation> Die Ansicht neben der Vorderansicht ist umgedreht gezeichnet.</translation>
    </message>
    <message>
        <source> Both methods explain the views: choose one.</source>
        <translation> Beide Methoden erklären die Ansichten: bitte eine wählen.</translation>
    </message>
    <message>
        <source> Some depths are in doubt: look at them.</source>
        <translation> Einige Tiefen sind zweifelhaft: bitte ansehen.</translation>
    </message>
    <message>
        <source>a bore whose depth is not drawn: through</source>
        <translation>eine Bohrung, deren Tiefe nicht gezeichnet ist: durch</translation>
    </message>
    <message>
        <source>a hole beside the axis: through</source>
        <translation>ein Loch neben der Achse: durch</translation>
    </message>
    <message>
        <source>These solids could not be combined.</source>
        <translation>Diese Körper ließen sich nicht verknüpfen.</translation>
    </message>
    <message>
        <source>Nothing would be left of the body.</source>
        <translation>Vom Körper bliebe nichts übrig.</translation>
    </message>
    <message>
        <source>The two share no room.</source>
        <translation>Die beiden teilen keinen Raum.</translation>
    </message>
    <message>
        <source>Nothing came of joining these.</source>
        <translation>Aus dem Vereinen wurde nichts.</translation>
    </message>
    <message>
        <source>What came of combining these solids is not sound, so it was left.</source>
        <translation>Was aus dem Verknüpfen dieser Körper wurde, ist nicht heil, darum blieb es.</translation>
    </message>
    <message>
        <source>{0} could not be written as STEP.</source>
        <translation>{0} ließ sich nicht als STEP schreiben.</translation>
    </message>
    <message>
        <source>Look whether the folder may be written to.</source>
        <translation>Bitte nachsehen, ob in den Ordner geschrieben werden darf.</translation>
    </message>
    <message>
        <source>{0} could not be read as STEP.</source>
        <translation>{0} ließ sich nicht als STEP lesen.</translation>
    </message>
    <message>
        <source>This took longer than a trial may, or went wrong.</source>
        <translation>Das dauerte länger, als ein Versuch darf, oder ging schief.</translation>
    </message>
    <message>
        <source>The side raised from {0} cannot lean by {1}°.</source>
        <translation>Die von {0} gehobene Seite kann sich nicht um {1}° neigen.</translation>
    </message>
    <message>
        <source>The sides cannot lean by {0}°.</source>
        <translation>Die Seiten können sich nicht um {0}° neigen.</translation>
    </message>
    <message>
        <source>The sides would run through each other at {0}°.</source>
        <translation>Die Seiten liefen bei {0}° durcheinander.</translation>
    </message>
    <message>
        <source>The round of radius {0} mm of {1} comes to a point before its end at {2}°.</source>
        <translation>Die Rundung mit Radius {0} mm von {1} läuft bei {2}° vor ihrem Ende in einer Spitze zusammen.</translation>
    </message>
    <message>
        <source>Take a smaller angle.</source>
        <translation>Bitte einen kleineren Winkel nehmen.</translation>
    </message>
    <message>
        <source>The distance between these two could not be found.</source>
        <translation>Der Abstand zwischen den beiden war nicht zu finden.</translation>
    </message>
    <message>
        <source>This body cannot be placed so.</source>
        <translation>Dieser Körper lässt sich so nicht setzen.</translation>
    </message>
    <message>
        <source>This would bend the body out of shape.</source>
        <translation>Das würde den Körper verbiegen.</translation>
    </message>
    <message>
        <source>The region in {0} does not make a face.</source>
        <translation>Die Fläche in {0} ergibt keine Seite.</translation>
    </message>
    <message>
        <source>The curve {0} does not join the one before it.</source>
        <translation>Die Kurve {0} schließt nicht an die vorige an.</translation>
    </message>
    <message>
        <source>A region of {0} touches itself at {1}, {2}: a solid would have no thickness there.</source>
        <translation>Eine Fläche von {0} berührt sich selbst bei {1}, {2}: ein Körper hätte dort keine Dicke.</translation>
    </message>
    <message>
        <source>Part the curves there, or leave that region out.</source>
        <translation>Bitte die Kurven dort trennen, oder die Fläche auslassen.</translation>
    </message>
    <message>
        <source>The curve {0} is too short, or bent too much, to be an edge.</source>
        <translation>Die Kurve {0} ist zu kurz oder zu stark gebogen, um eine Kante zu sein.</translation>
    </message>
    <message>
        <source>The line crosses the region of {0} that is to be turned about it.</source>
        <translation>Die Linie kreuzt die Fläche von {0}, die um sie gedreht werden soll.</translation>
    </message>
    <message>
        <source>Choose a line along its edge or beside it.</source>
        <translation>Bitte eine Linie an ihrem Rand oder daneben wählen.</translation>
    </message>
    <message>
        <source>{0} pictures found, and no two share an extent.</source>
        <translation>{0} Bilder gefunden, und keine zwei teilen eine Ausdehnung.</translation>
    </message>
    <message>
        <source>{0} picture found, and no two share an extent.</source>
        <translation>{0} Bild gefunden, und keine zwei teilen eine Ausdehnung.</translation>
    </message>
    <message>
        <source>Take the views alone, or name them by boxes.</source>
        <translation>Bitte nur die Ansichten nehmen oder sie mit Kästen nennen.</translation>
    </message>
    <message>
        <source>What the views show could not be put together.</source>
        <translation>Was die Ansichten zeigen, ließ sich nicht zusammensetzen.</translation>
    </message>
    <message>
        <source>Name the views by boxes.</source>
        <translation>Bitte die Ansichten mit Kästen nennen.</translation>
    </message>
    <message>
        <source>half profile</source>
        <translation>halbes Profil</translation>
    </message>
    <message>
        <source>Nothing is left of the part.</source>
        <translation>Vom Teil bleibt nichts übrig.</translation>
    </message>
    <message>
        <source>No view has a closed outline.</source>
        <translation>Keine Ansicht hat einen geschlossenen Umriss.</translation>
    </message>
    <message>
        <source>seen at {0} mm, found by trying</source>
        <translation>bei {0} mm gesehen, durch Versuch gefunden</translation>
    </message>
    <message>
        <source>it does not fit beside what is near</source>
        <translation>es passt nicht neben das, was nahe ist</translation>
    </message>
    <message>
        <source>there is no room for it where it would begin</source>
        <translation>wo es begänne, ist kein Platz</translation>
    </message>
    <message>
        <source>it would twist</source>
        <translation>es würde sich verdrehen</translation>
    </message>
    <message>
        <source>It does not fit round a corner of radius {0} mm.</source>
        <translation>Es passt nicht um eine Ecke mit Radius {0} mm.</translation>
    </message>
    <message>
        <source>It does not fit.</source>
        <translation>Es passt nicht.</translation>
    </message>
    <message>
        <source>it does not fit, or meets other edges in a way that cannot be closed</source>
        <translation>es passt nicht, oder trifft andere Kanten so, dass es sich nicht schließen lässt</translation>
    </message>
    <message>
        <source> {0} mm can be made.</source>
        <translation> {0} mm sind zu machen.</translation>
    </message>
    <message>
        <source>the edge that rises from {0}</source>
        <translation>die Kante, die von {0} aufsteigt</translation>
    </message>
    <message>
        <source>the edge of {0} on the side called {1}</source>
        <translation>die Kante von {0} auf der Seite {1}</translation>
    </message>
    <message>
        <source>a face without a name</source>
        <translation>eine Fläche ohne Namen</translation>
    </message>
    <message>
        <source>the {0} of {1}</source>
        <translation>{0!t} von {1}</translation>
    </message>
    <message>
        <source>The plane of the section lies beside all bodies: they reach from {0} to {1} mm.</source>
        <translation>Die Ebene des Schnitts liegt neben allen Körpern: sie reichen von {0} bis {1} mm.</translation>
    </message>
    <message>
        <source>region {0} of {1}</source>
        <translation>Fläche {0} von {1}</translation>
    </message>
    <message>
        <source>The kernel makes nothing of these numbers.</source>
        <translation>Der Kern macht nichts aus diesen Zahlen.</translation>
    </message>
    <message>
        <source>Gone: {0}.</source>
        <translation>Fort: {0}.</translation>
    </message>
    <message>
        <source>{0} was found by its {1}: look at it.</source>
        <translation>{0!t} fand sich an {1!t}: bitte ansehen.</translation>
    </message>
    <message>
        <source>None of the edges is there.</source>
        <translation>Keine der Kanten ist da.</translation>
    </message>
    <message>
        <source>No edge is of that kind.</source>
        <translation>Keine Kante ist von dieser Art.</translation>
    </message>
    <message>
        <source>Choose edges again.</source>
        <translation>Bitte Kanten neu wählen.</translation>
    </message>
    <message>
        <source>No edge could be done: {0}</source>
        <translation>Keine Kante ließ sich machen: {0!t}</translation>
    </message>
    <message>
        <source>{0} of {1} edges.</source>
        <translation>{0} von {1} Kanten.</translation>
    </message>
    <message>
        <source>“{0}” is not the same when its STEP file is read again, so nothing was written.</source>
        <translation>„{0}“ ist nicht dasselbe, wenn seine STEP-Datei wieder gelesen wird, darum wurde nichts geschrieben.</translation>
    </message>
    <message>
        <source>Give it a plain name, or write STL.</source>
        <translation>Bitte einen schlichten Namen geben oder STL schreiben.</translation>
    </message>
    <message>
        <source>{0}: read again, its volume differs by {1} of itself, where edges nearly meet.</source>
        <translation>{0}: wieder gelesen, weicht sein Volumen um {1} seiner selbst ab, wo sich Kanten fast treffen.</translation>
    </message>
    <message>
        <source>stainless steel</source>
        <translation>nichtrostender Stahl</translation>
    </message>
    <message>
        <source>cast iron</source>
        <translation>Gusseisen</translation>
    </message>
    <message>
        <source>birch plywood</source>
        <translation>Birkensperrholz</translation>
    </message>
    <message>
        <source>“{0}” is no material that is known here.</source>
        <translation>„{0}“ ist kein hier bekanntes Material.</translation>
    </message>
    <message>
        <source>Known are: {0}.</source>
        <translation>Bekannt sind: {0}.</translation>
    </message>
    <message>
        <source>{0} kg/m³ is no density of a thing.</source>
        <translation>{0} kg/m³ ist keine Dichte eines Dings.</translation>
    </message>
    <message>
        <source>Steel has 7850 kg/m³.</source>
        <translation>Stahl hat 7850 kg/m³.</translation>
    </message>
    <message>
        <source>“{0}” is {1} mm, which is more than 10 km.</source>
        <translation>„{0}“ ist {1} mm und damit mehr als 10 km.</translation>
    </message>
    <message>
        <source>Look at its unit.</source>
        <translation>Bitte die Einheit ansehen.</translation>
    </message>
    <message>
        <source>There is no body called “{0}”.</source>
        <translation>Es gibt keinen Körper namens „{0}“.</translation>
    </message>
    <message>
        <source>Make one first.</source>
        <translation>Bitte zuerst einen machen.</translation>
    </message>
    <message>
        <source>There is no body yet.</source>
        <translation>Noch gibt es keinen Körper.</translation>
    </message>
    <message>
        <source>Raise a region first.</source>
        <translation>Bitte zuerst eine Fläche heben.</translation>
    </message>
    <message>
        <source>{0} lies through {1} of {2}, tilted {3}</source>
        <translation>{0} liegt durch {1} von {2}, um {3} gekippt</translation>
    </message>
    <message>
        <source>{0} lies on a face of {1}</source>
        <translation>{0} liegt auf einer Fläche von {1}</translation>
    </message>
    <message>
        <source>Looking at {0}</source>
        <translation>{0} wird angesehen</translation>
    </message>
    <message>
        <source>That flat face of {0} is no longer there.</source>
        <translation>Diese ebene Fläche von {0} ist nicht mehr da.</translation>
    </message>
    <message>
        <source>Choose another one.</source>
        <translation>Bitte eine andere wählen.</translation>
    </message>
    <message>
        <source>, joined</source>
        <translation>, vereint</translation>
    </message>
    <message>
        <source>, taken away</source>
        <translation>, abgezogen</translation>
    </message>
    <message>
        <source>, what both have</source>
        <translation>, was beide haben</translation>
    </message>
    <message>
        <source>a face of {0}</source>
        <translation>eine Fläche von {0}</translation>
    </message>
    <message>
        <source>{0} regions of </source>
        <translation>{0} Flächen von </translation>
    </message>
    <message>
        <source>{0} region of </source>
        <translation>{0} Fläche von </translation>
    </message>
    <message>
        <source>Sides lean by less than 90°.</source>
        <translation>Seiten neigen sich um weniger als 90°.</translation>
    </message>
    <message>
        <source>Give an angle such as 3deg.</source>
        <translation>Bitte einen Winkel wie 3deg geben.</translation>
    </message>
    <message>
        <source>{0}: raise each region by its {1}: {2}</source>
        <translation>{0}: jede Fläche nach ihrem Merkmal ({1!t}) heben: {2}</translation>
    </message>
    <message>
        <source>No closed region has such a {0}.</source>
        <translation>Keine geschlossene Fläche hat so etwas ({0!t}).</translation>
    </message>
    <message>
        <source>Look what the layers are called.</source>
        <translation>Bitte nachsehen, wie die Layer heißen.</translation>
    </message>
    <message>
        <source>{0} regions have no thickness and stayed flat.</source>
        <translation>{0} Flächen haben keine Dicke und blieben flach.</translation>
    </message>
    <message>
        <source>{0} region has no thickness and stayed flat.</source>
        <translation>{0} Fläche hat keine Dicke und blieb flach.</translation>
    </message>
    <message>
        <source>, {0} diameter {1}</source>
        <translation>, {1} {0!t} Durchmesser</translation>
    </message>
    <message>
        <source>A region is turned by more than 0° and at most 360°.</source>
        <translation>Eine Fläche wird um mehr als 0° und höchstens 360° gedreht.</translation>
    </message>
    <message>
        <source>Give other angles.</source>
        <translation>Bitte andere Winkel geben.</translation>
    </message>
    <message>
        <source>A thickness of {0} mm is none.</source>
        <translation>Eine Dicke von {0} mm ist keine.</translation>
    </message>
    <message>
        <source>Give a depth between 0.000001 mm and 1 km.</source>
        <translation>Bitte eine Tiefe zwischen 0,000001 mm und 1 km geben.</translation>
    </message>
    <message>
        <source>That face does not lie level with the sketch.</source>
        <translation>Diese Fläche liegt nicht waagrecht zur Skizze.</translation>
    </message>
    <message>
        <source>Choose one that does.</source>
        <translation>Bitte eine wählen, die es tut.</translation>
    </message>
    <message>
        <source>Nothing says how far it is raised.</source>
        <translation>Nichts sagt, wie weit gehoben wird.</translation>
    </message>
    <message>
        <source>Give a depth.</source>
        <translation>Bitte eine Tiefe geben.</translation>
    </message>
    <message>
        <source>A ring of {0} mm {1} diameter would run through its own middle.</source>
        <translation>Ein Ring von {0} mm Durchmesser ({1!t}) liefe durch seine eigene Mitte.</translation>
    </message>
    <message>
        <source>It needs more than {0} mm.</source>
        <translation>Er braucht mehr als {0} mm.</translation>
    </message>
    <message>
        <source>Volume {0} → {1}.</source>
        <translation>Volumen {0} → {1}.</translation>
    </message>
    <message>
        <source>Not done, {0}: {1}</source>
        <translation>Nicht getan, {0!t}: {1!t}</translation>
    </message>
    <message>
        <source>{0} more could not be done.</source>
        <translation>{0} weitere ließen sich nicht machen.</translation>
    </message>
    <message>
        <source>{0} is in {1} pieces now.</source>
        <translation>{0} ist jetzt in {1} Stücken.</translation>
    </message>
    <message>
        <source>Making the picture</source>
        <translation>Das Bild wird gemacht</translation>
    </message>
    <message>
        <source>the tool is too large for an arc of {0} mm</source>
        <translation>das Werkzeug ist zu groß für einen Bogen von {0} mm</translation>
    </message>
    <message>
        <source>the tool is too large for a corner</source>
        <translation>das Werkzeug ist zu groß für eine Ecke</translation>
    </message>
    <message>
        <source>the tool is too large between two corners</source>
        <translation>das Werkzeug ist zu groß zwischen zwei Ecken</translation>
    </message>
    <message>
        <source>Line {0}: {1}, so its way beside it (G41, G42) is not to be trusted.</source>
        <translation>Zeile {0}: {1!t}, darum ist seinem Weg daneben (G41, G42) nicht zu trauen.</translation>
    </message>
    <message>
        <source>{0} is too large a number</source>
        <translation>{0} ist eine zu große Zahl</translation>
    </message>
    <message>
        <source>a root of less than 0</source>
        <translation>eine Wurzel aus weniger als 0</translation>
    </message>
    <message>
        <source>the number of a parameter is not a whole one</source>
        <translation>die Nummer eines Parameters ist nicht ganz</translation>
    </message>
    <message>
        <source>a number is missing at “{0}”</source>
        <translation>bei „{0}“ fehlt eine Zahl</translation>
    </message>
    <message>
        <source>ATAN needs two numbers</source>
        <translation>ATAN braucht zwei Zahlen</translation>
    </message>
    <message>
        <source>a square bracket is missing</source>
        <translation>eine eckige Klammer fehlt</translation>
    </message>
    <message>
        <source>more than {0} brackets lie in each other</source>
        <translation>mehr als {0} Klammern liegen ineinander</translation>
    </message>
    <message>
        <source>a square bracket is not closed</source>
        <translation>eine eckige Klammer ist nicht geschlossen</translation>
    </message>
    <message>
        <source>the result of {0} is no number that means anything</source>
        <translation>das Ergebnis von {0} ist keine Zahl, die etwas bedeutet</translation>
    </message>
    <message>
        <source>only the first {0} lines are played</source>
        <translation>nur die ersten {0} Zeilen werden abgespielt</translation>
    </message>
    <message>
        <source>more than {0} lines would be played; the rest was left out</source>
        <translation>mehr als {0} Zeilen würden abgespielt; der Rest wurde weggelassen</translation>
    </message>
    <message>
        <source>Line {0}: {1}.</source>
        <translation>Zeile {0}: {1!t}.</translation>
    </message>
    <message>
        <source>G{0} and G{1} exclude each other</source>
        <translation>G{0} und G{1} schließen einander aus</translation>
    </message>
    <message>
        <source>{0} stands twice</source>
        <translation>{0} steht zweimal</translation>
    </message>
    <message>
        <source>the spindle is told two things</source>
        <translation>der Spindel wird zweierlei gesagt</translation>
    </message>
    <message>
        <source>a feed is less than 0</source>
        <translation>ein Vorschub ist kleiner als 0</translation>
    </message>
    <message>
        <source>a speed is less than 0</source>
        <translation>eine Drehzahl ist kleiner als 0</translation>
    </message>
    <message>
        <source>the number of a tool is not whole</source>
        <translation>die Nummer eines Werkzeugs ist nicht ganz</translation>
    </message>
    <message>
        <source>G{0} is played in the plane of G17 alone</source>
        <translation>G{0} wird nur in der Ebene von G17 abgespielt</translation>
    </message>
    <message>
        <source>a dwell does not say how long</source>
        <translation>ein Verweilen sagt nicht, wie lange</translation>
    </message>
    <message>
        <source>an arc goes nowhere</source>
        <translation>ein Bogen führt nirgendwohin</translation>
    </message>
    <message>
        <source>a place stands there and no word how to go</source>
        <translation>da steht eine Stelle und kein Wort, wie dorthin</translation>
    </message>
    <message>
        <source>the place {0}, {1}, {2} mm lies more than a kilometre off</source>
        <translation>die Stelle {0}, {1}, {2} mm liegt mehr als einen Kilometer weit weg</translation>
    </message>
    <message>
        <source>a move by inverse time does not say how long it takes</source>
        <translation>eine Bewegung mit reziproker Zeit sagt nicht, wie lange sie dauert</translation>
    </message>
    <message>
        <source>a cut has no feed</source>
        <translation>ein Schnitt hat keinen Vorschub</translation>
    </message>
    <message>
        <source>the program has more than {0} moves; the rest was left out</source>
        <translation>das Programm hat mehr als {0} Bewegungen; der Rest wurde weggelassen</translation>
    </message>
    <message>
        <source>an arc lies in no plane</source>
        <translation>ein Bogen liegt in keiner Ebene</translation>
    </message>
    <message>
        <source>an arc has both a radius and a centre</source>
        <translation>ein Bogen hat sowohl Radius als auch Mitte</translation>
    </message>
    <message>
        <source>an arc has neither a radius nor a centre in its plane</source>
        <translation>ein Bogen hat weder Radius noch Mitte in seiner Ebene</translation>
    </message>
    <message>
        <source>the ends of an arc are {0} and {1} mm from its centre</source>
        <translation>die Enden eines Bogens sind {0} und {1} mm von seiner Mitte</translation>
    </message>
    <message>
        <source>an arc has no radius</source>
        <translation>ein Bogen hat keinen Radius</translation>
    </message>
    <message>
        <source>a drilling cycle does not say how deep, or from where</source>
        <translation>ein Bohrzyklus sagt nicht, wie tief, oder von wo</translation>
    </message>
    <message>
        <source>G83 does not say how deep a peck is</source>
        <translation>G83 sagt nicht, wie tief ein Hub ist</translation>
    </message>
    <message>
        <source>{0} repeats of a cycle</source>
        <translation>{0} Wiederholungen eines Zyklus</translation>
    </message>
    <message>
        <source>a drilling cycle begins below where it ends</source>
        <translation>ein Bohrzyklus beginnt unter seinem Ende</translation>
    </message>
    <message>
        <source>a hole has more than 10,000 pecks</source>
        <translation>ein Loch hat mehr als 10.000 Hübe</translation>
    </message>
    <message>
        <source>there is no subprogram O{0}</source>
        <translation>es gibt kein Unterprogramm O{0}</translation>
    </message>
    <message>
        <source>subprograms call each other more than {0} deep</source>
        <translation>Unterprogramme rufen einander mehr als {0} tief</translation>
    </message>
    <message>
        <source>an arc by its radius ends where it begins</source>
        <translation>ein Bogen mit Radius endet, wo er beginnt</translation>
    </message>
    <message>
        <source>a radius of {0} mm is too small for ends {1} mm apart</source>
        <translation>ein Radius von {0} mm ist zu klein für Enden, die {1} mm auseinander liegen</translation>
    </message>
    <message>
        <source>the radius for {0} is not known, so it is played without (name the tool with its number)</source>
        <translation>der Radius für {0} ist nicht bekannt, darum wird ohne abgespielt (bitte das Werkzeug mit seiner Nummer nennen)</translation>
    </message>
    <message>
        <source>{0} is not understood</source>
        <translation>{0} wird nicht verstanden</translation>
    </message>
    <message>
        <source>The program does not say in which unit it is (G20 or G21).</source>
        <translation>Das Programm sagt nicht, in welcher Einheit es ist (G20 oder G21).</translation>
    </message>
    <message>
        <source>The program is in {0}, the machine {1} in {2}.</source>
        <translation>Das Programm ist in {0}, die Maschine {1} in {2}.</translation>
    </message>
    <message>
        <source>The program does not say whether its places are absolute (G90) or relative (G91).</source>
        <translation>Das Programm sagt nicht, ob seine Stellen absolut (G90) oder relativ (G91) sind.</translation>
    </message>
    <message>
        <source>The program does not end with M2 or M30: what is missing behind its last line nobody knows.</source>
        <translation>Das Programm endet nicht mit M2 oder M30: was hinter seiner letzten Zeile fehlt, weiß niemand.</translation>
    </message>
    <message>
        <source>Line {0}: it cuts before the program has said where the tool is.</source>
        <translation>Zeile {0}: es schneidet, bevor das Programm gesagt hat, wo das Werkzeug ist.</translation>
    </message>
    <message>
        <source>Line {0}: tool T{1} is not known, so what it takes away is not.</source>
        <translation>Zeile {0}: Werkzeug T{1} ist nicht bekannt, also auch nicht, was es wegnimmt.</translation>
    </message>
    <message>
        <source>it goes {0} mm along {1}, and the machine {2}</source>
        <translation>es fährt {0} mm entlang {1}, und die Maschine {2}</translation>
    </message>
    <message>
        <source>it cuts with the beam off</source>
        <translation>es schneidet mit ausgeschaltetem Strahl</translation>
    </message>
    <message>
        <source>the beam is on in a rapid</source>
        <translation>der Strahl ist im Eilgang an</translation>
    </message>
    <message>
        <source>it cuts with the spindle at rest</source>
        <translation>es schneidet mit stehender Spindel</translation>
    </message>
    <message>
        <source>it goes into a {0}</source>
        <translation>es fährt in: {0}</translation>
    </message>
    <message>
        <source>a rapid goes through material</source>
        <translation>ein Eilgang geht durch Material</translation>
    </message>
    <message>
        <source>the tool cannot go straight down, and does</source>
        <translation>das Werkzeug kann nicht gerade eintauchen und tut es</translation>
    </message>
    <message>
        <source>it is {0} mm deep, and {1} has flutes of {2}</source>
        <translation>es ist {0} mm tief, und {1} hat Schneiden von {2}</translation>
    </message>
    <message>
        <source>it cuts {0} mm into the part</source>
        <translation>es schneidet {0} mm in das Teil</translation>
    </message>
    <message>
        <source>it goes {0} mm below the stock</source>
        <translation>es fährt {0} mm unter den Rohling</translation>
    </message>
    <message>
        <source>by {0} mm</source>
        <translation>um {0} mm</translation>
    </message>
    <message>
        <source>at all</source>
        <translation>überhaupt</translation>
    </message>
    <message>
        <source>{0} mm of the outline are not reached {1}.</source>
        <translation>{0} mm des Umrisses werden {1!t} nicht erreicht.</translation>
    </message>
    <message>
        <source>not reached</source>
        <translation>nicht erreicht</translation>
    </message>
    <message>
        <source>a corner of radius {0} mm is too small for the tool; one of Ø {1} mm would do.</source>
        <translation>eine Ecke mit Radius {0} mm ist zu eng für das Werkzeug; eines mit Ø {1} mm ginge.</translation>
    </message>
    <message>
        <source>a sharp corner is left round; no round tool reaches it, a relief there would do.</source>
        <translation>eine scharfe Ecke bleibt rund; kein rundes Werkzeug erreicht sie, ein Freistich dort ginge.</translation>
    </message>
    <message>
        <source>Line {0}: {1}: a tab is cut away.</source>
        <translation>Zeile {0}: {1}: ein Steg wird weggeschnitten.</translation>
    </message>
    <message>
        <source>{0}: nothing of {1} mm² is cleared down to {2} mm.</source>
        <translation>{0}: von {1} mm² wird nichts bis {2} mm geräumt.</translation>
    </message>
    <message>
        <source>{0}: {1} mm² of the floor are left that the tool could reach.</source>
        <translation>{0}: {1} mm² des Bodens bleiben, die das Werkzeug erreichen könnte.</translation>
    </message>
    <message>
        <source>{0}: {1} mm² are left in corners that the tool is too large for.</source>
        <translation>{0}: {1} mm² bleiben in Ecken, für die das Werkzeug zu groß ist.</translation>
    </message>
    <message>
        <source>{0}: a hole is not made to its depth.</source>
        <translation>{0}: ein Loch wird nicht bis auf seine Tiefe gemacht.</translation>
    </message>
    <message>
        <source>{0}: {1} mm of a line are not cut.</source>
        <translation>{0}: {1} mm einer Linie werden nicht geschnitten.</translation>
    </message>
    <message>
        <source>Line {0}: {1} is cut in a part that is loose already.</source>
        <translation>Zeile {0}: {1} wird in einem Teil geschnitten, das schon lose ist.</translation>
    </message>
    <message>
        <source>{0}: nothing holds the part once it is cut; it has no tabs.</source>
        <translation>{0}: nichts hält das Teil, sobald es geschnitten ist; es hat keine Stege.</translation>
    </message>
    <message>
        <source>a line that cannot be read</source>
        <translation>eine Zeile, die nicht zu lesen ist</translation>
    </message>
    <message>
        <source>an arc that does not agree with itself</source>
        <translation>ein Bogen, der sich widerspricht</translation>
    </message>
    <message>
        <source>a cut without a feed</source>
        <translation>ein Schnitt ohne Vorschub</translation>
    </message>
    <message>
        <source>units that are not said, or differ</source>
        <translation>Einheiten, die nicht gesagt sind oder sich unterscheiden</translation>
    </message>
    <message>
        <source>a drilling cycle that is not complete</source>
        <translation>ein Bohrzyklus, der nicht vollständig ist</translation>
    </message>
    <message>
        <source>a subprogram that cannot be called</source>
        <translation>ein Unterprogramm, das sich nicht rufen lässt</translation>
    </message>
    <message>
        <source>more than is played</source>
        <translation>mehr, als abgespielt wird</translation>
    </message>
    <message>
        <source>a number that means nothing</source>
        <translation>eine Zahl, die nichts bedeutet</translation>
    </message>
    <message>
        <source>a word that is not understood</source>
        <translation>ein Wort, das nicht verstanden wird</translation>
    </message>
    <message>
        <source>a tool too large for its way</source>
        <translation>ein Werkzeug, das für seinen Weg zu groß ist</translation>
    </message>
    <message>
        <source>a cut into the part</source>
        <translation>ein Schnitt in das Teil</translation>
    </message>
    <message>
        <source>material that should be gone</source>
        <translation>Material, das weg sein sollte</translation>
    </message>
    <message>
        <source>a corner that the tool is too large for</source>
        <translation>eine Ecke, für die das Werkzeug zu groß ist</translation>
    </message>
    <message>
        <source>a rapid through material</source>
        <translation>ein Eilgang durch Material</translation>
    </message>
    <message>
        <source>a move outside the machine</source>
        <translation>eine Bewegung außerhalb der Maschine</translation>
    </message>
    <message>
        <source>a move into a clamp</source>
        <translation>eine Bewegung in einen Spanner</translation>
    </message>
    <message>
        <source>a cut into the table</source>
        <translation>ein Schnitt in den Tisch</translation>
    </message>
    <message>
        <source>a cut with the spindle at rest</source>
        <translation>ein Schnitt mit stehender Spindel</translation>
    </message>
    <message>
        <source>a beam that is on or off at the wrong time</source>
        <translation>ein Strahl, der zur falschen Zeit an oder aus ist</translation>
    </message>
    <message>
        <source>a part that comes loose</source>
        <translation>ein Teil, das sich löst</translation>
    </message>
    <message>
        <source>a tab that is cut away</source>
        <translation>ein Steg, der weggeschnitten wird</translation>
    </message>
    <message>
        <source>a cut in a part that is loose already</source>
        <translation>ein Schnitt in einem Teil, das schon lose ist</translation>
    </message>
    <message>
        <source>a plunge of a tool that cannot</source>
        <translation>ein Eintauchen eines Werkzeugs, das es nicht kann</translation>
    </message>
    <message>
        <source>a cut deeper than the tool's flutes</source>
        <translation>ein Schnitt, tiefer als die Schneiden des Werkzeugs</translation>
    </message>
    <message>
        <source>a tool that is not known</source>
        <translation>ein Werkzeug, das nicht bekannt ist</translation>
    </message>
    <message>
        <source>a program that does not end</source>
        <translation>ein Programm, das nicht endet</translation>
    </message>
    <message>
        <source>the line has more than {0} letters</source>
        <translation>die Zeile hat mehr als {0} Buchstaben</translation>
    </message>
    <message>
        <source>a parameter is not set to anything</source>
        <translation>ein Parameter wird auf nichts gesetzt</translation>
    </message>
    <message>
        <source>“{0}” begins no word</source>
        <translation>„{0}“ beginnt kein Wort</translation>
    </message>
    <message>
        <source>a comment begins in a comment</source>
        <translation>ein Kommentar beginnt in einem Kommentar</translation>
    </message>
    <message>
        <source>a comment ends that did not begin</source>
        <translation>ein Kommentar endet, der nicht begann</translation>
    </message>
    <message>
        <source>a comment does not end</source>
        <translation>ein Kommentar endet nicht</translation>
    </message>
    <message>
        <source>{0}: it is {1} mm deep, which cuts nothing.</source>
        <translation>{0}: es ist {1} mm tief, das schneidet nichts.</translation>
    </message>
    <message>
        <source>Give a depth of more than 0, or a thicker stock.</source>
        <translation>Bitte eine Tiefe über 0 geben oder einen dickeren Rohling.</translation>
    </message>
    <message>
        <source>{0}: a feed must be more than 0 mm/min.</source>
        <translation>{0}: ein Vorschub muss über 0 mm/min liegen.</translation>
    </message>
    <message>
        <source>Give the tool a feed.</source>
        <translation>Bitte dem Werkzeug einen Vorschub geben.</translation>
    </message>
    <message>
        <source>{0}: a ramp goes down at 0.05 to 60 degrees.</source>
        <translation>{0}: eine Rampe geht mit 0,05 bis 60 Grad hinab.</translation>
    </message>
    <message>
        <source>The thickness of the stock: {0}</source>
        <translation>Die Dicke des Rohlings: {0!t}</translation>
    </message>
    <message>
        <source>A stock of {0} mm is no stock.</source>
        <translation>Ein Rohling von {0} mm ist keiner.</translation>
    </message>
    <message>
        <source>Give it a thickness of more than 0 mm.</source>
        <translation>Bitte eine Dicke über 0 mm geben.</translation>
    </message>
    <message>
        <source>{0} has no tool.</source>
        <translation>{0} hat kein Werkzeug.</translation>
    </message>
    <message>
        <source>Choose one for it.</source>
        <translation>Bitte eines dafür wählen.</translation>
    </message>
    <message>
        <source>{0}: there is no tool called “{1}” in this job.</source>
        <translation>{0}: ein Werkzeug „{1}“ gibt es in diesem Auftrag nicht.</translation>
    </message>
    <message>
        <source>{0}: {1} is no tool for a {2}.</source>
        <translation>{0}: {1} ist kein Werkzeug für {2!t}.</translation>
    </message>
    <message>
        <source>Choose another tool or machine.</source>
        <translation>Bitte ein anderes Werkzeug oder eine andere Maschine wählen.</translation>
    </message>
    <message>
        <source>{0}: a chamfer takes a cone, and {1} is none.</source>
        <translation>{0}: eine Fase braucht einen Kegel, und {1} ist keiner.</translation>
    </message>
    <message>
        <source>{0}: a {1} cannot {2}.</source>
        <translation>{0}: {1!t} kann das nicht: {2!t}.</translation>
    </message>
    <message>
        <source>Choose a mill, or another kind.</source>
        <translation>Bitte einen Fräser oder eine andere Art wählen.</translation>
    </message>
    <message>
        <source>clear a pocket</source>
        <translation>eine Tasche räumen</translation>
    </message>
    <message>
        <source>make a chamfer</source>
        <translation>eine Fase machen</translation>
    </message>
    <message>
        <source>{0}: paths lie 0.02 to 1.9 radii apart, and {1} is not.</source>
        <translation>{0}: Bahnen liegen 0,02 bis 1,9 Radien auseinander, und {1} tut es nicht.</translation>
    </message>
    <message>
        <source>{0}, pocket {1}</source>
        <translation>{0}, Tasche {1}</translation>
    </message>
    <message>
        <source>{0} is no machine: {1}.</source>
        <translation>{0} ist keine Maschine: {1}.</translation>
    </message>
    <message>
        <source>Compare it with one that is shipped.</source>
        <translation>Bitte mit einer mitgelieferten vergleichen.</translation>
    </message>
    <message>
        <source>{0}: the travel in {1} ends before it begins.</source>
        <translation>{0}: der Weg in {1} endet, bevor er beginnt.</translation>
    </message>
    <message>
        <source>{0}: places behind the point are 0 to 9.</source>
        <translation>{0}: Stellen hinter dem Komma sind 0 bis 9.</translation>
    </message>
    <message>
        <source>{0}: rapids, acceleration and corner deviation must be more than 0.</source>
        <translation>{0}: Eilgänge, Beschleunigung und Eckenabweichung müssen über 0 liegen.</translation>
    </message>
    <message>
        <source>{0}: an arc has more than 0 and at most 180 degrees, its chord more than 0 mm.</source>
        <translation>{0}: ein Bogen hat über 0 und höchstens 180 Grad, seine Sehne über 0 mm.</translation>
    </message>
    <message>
        <source>There is no machine called “{0}”.</source>
        <translation>Es gibt keine Maschine namens „{0}“.</translation>
    </message>
    <message>
        <source>{0} is no text.</source>
        <translation>{0} ist kein Text.</translation>
    </message>
    <message>
        <source>there is no column “{0}” for tools</source>
        <translation>eine Spalte „{0}“ gibt es für Werkzeuge nicht</translation>
    </message>
    <message>
        <source>it has no column “name”</source>
        <translation>sie hat keine Spalte „name“</translation>
    </message>
    <message>
        <source>Columns are {0}.</source>
        <translation>Spalten sind {0}.</translation>
    </message>
    <message>
        <source>{0}, row {1}: there are two tools called “{2}”.</source>
        <translation>{0}, Zeile {1}: zwei Werkzeuge heißen „{2}“.</translation>
    </message>
    <message>
        <source>{0}: it has not as many cells as there are columns.</source>
        <translation>{0}: sie hat nicht so viele Zellen wie Spalten.</translation>
    </message>
    <message>
        <source>{0}: “{1}” is no number for {2}.</source>
        <translation>{0}: „{1}“ ist keine Zahl für {2}.</translation>
    </message>
    <message>
        <source>{0}: the tool has no name.</source>
        <translation>{0}: das Werkzeug hat keinen Namen.</translation>
    </message>
    <message>
        <source>{0}“{1}” is no kind of tool.</source>
        <translation>{0}„{1}“ ist keine Art von Werkzeug.</translation>
    </message>
    <message>
        <source>Kinds: {0}.</source>
        <translation>Arten: {0}.</translation>
    </message>
    <message>
        <source>{0}{1} of “{2}” is {3}; it must be 0 or more.</source>
        <translation>{0}{1} von „{2}“ ist {3}; es muss 0 oder mehr sein.</translation>
    </message>
    <message>
        <source>{0}“{1}” has no {2}.</source>
        <translation>{0}„{1}“ hat kein {2}.</translation>
    </message>
    <message>
        <source>Give it a {0} in mm.</source>
        <translation>Bitte {0} in mm geben.</translation>
    </message>
    <message>
        <source>{0}the tip of “{1}” must have an angle between 0 and 180 degrees.</source>
        <translation>{0}die Spitze von „{1}“ muss einen Winkel zwischen 0 und 180 Grad haben.</translation>
    </message>
    <message>
        <source>{0}the step-over of “{1}” must be between 0 and 2 radii.</source>
        <translation>{0}der Bahnabstand von „{1}“ muss zwischen 0 und 2 Radien liegen.</translation>
    </message>
    <message>
        <source>“{0}” is no tool.</source>
        <translation>„{0}“ ist kein Werkzeug.</translation>
    </message>
    <message>
        <source>Write D=6 or kerf=0.2, in mm.</source>
        <translation>Schreiben Sie D=6 oder kerf=0.2, in mm.</translation>
    </message>
    <message>
        <source>“{0}” is no tool for a {1}.</source>
        <translation>„{0}“ ist kein Werkzeug für {1!t}.</translation>
    </message>
    <message>
        <source>Write {0}, in mm.</source>
        <translation>Schreiben Sie {0}, in mm.</translation>
    </message>
    <message>
        <source>There is no tool called “{0}”.</source>
        <translation>Es gibt kein Werkzeug namens „{0}“.</translation>
    </message>
    <message>
        <source>Write D=6 or kerf=0.2, or one of {0}.</source>
        <translation>Schreiben Sie D=6 oder kerf=0.2, oder eines von {0}.</translation>
    </message>
    <message>
        <source>end mill</source>
        <translation>Schaftfräser</translation>
    </message>
    <message>
        <source>ball mill</source>
        <translation>Kugelfräser</translation>
    </message>
    <message>
        <source>{0} parts are too many to be nested at once.</source>
        <translation>{0} Teile sind zu viele, um auf einmal verschachtelt zu werden.</translation>
    </message>
    <message>
        <source>Take fewer copies.</source>
        <translation>Bitte weniger Kopien nehmen.</translation>
    </message>
    <message>
        <source>The sheet has no room inside its margin.</source>
        <translation>Die Tafel hat innerhalb ihres Randes keinen Platz.</translation>
    </message>
    <message>
        <source>Take a larger sheet.</source>
        <translation>Bitte eine größere Tafel nehmen.</translation>
    </message>
    <message>
        <source>A part is larger than the sheet.</source>
        <translation>Ein Teil ist größer als die Tafel.</translation>
    </message>
    <message>
        <source>Take a larger sheet, or let it be turned.</source>
        <translation>Bitte eine größere Tafel nehmen oder das Drehen erlauben.</translation>
    </message>
    <message>
        <source>More than {0} sheets would be needed.</source>
        <translation>Mehr als {0} Tafeln wären nötig.</translation>
    </message>
    <message>
        <source>by tool</source>
        <translation>nach Werkzeug</translation>
    </message>
    <message>
        <source>There is no operation called “{0}”.</source>
        <translation>Es gibt keinen Arbeitsgang namens „{0}“.</translation>
    </message>
    <message>
        <source>Add one.</source>
        <translation>Bitte einen hinzufügen.</translation>
    </message>
    <message>
        <source>{0}: a pocket is too small for {1}.</source>
        <translation>{0}: eine Tasche ist zu klein für {1}.</translation>
    </message>
    <message>
        <source>{0}: the wall of a pocket cannot be gone round.</source>
        <translation>{0}: die Wand einer Tasche lässt sich nicht umfahren.</translation>
    </message>
    <message>
        <source>{0}: {1} cannot make a chamfer of {2} mm.</source>
        <translation>{0}: {1} kann keine Fase von {2} mm machen.</translation>
    </message>
    <message>
        <source>Take a larger cone, or a smaller chamfer.</source>
        <translation>Bitte einen größeren Kegel oder eine kleinere Fase nehmen.</translation>
    </message>
    <message>
        <source>circle is</source>
        <translation>Kreis hat</translation>
    </message>
    <message>
        <source>circles are</source>
        <translation>Kreise haben</translation>
    </message>
    <message>
        <source>{0}: {1} {2} not of the size of {3}.</source>
        <translation>{0}: {1} {2!t} nicht die Größe von {3}.</translation>
    </message>
    <message>
        <source>hole is</source>
        <translation>Loch ist</translation>
    </message>
    <message>
        <source>holes are</source>
        <translation>Löcher sind</translation>
    </message>
    <message>
        <source>{0}: {1} {2} too small for {3}.</source>
        <translation>{0}: {1} {2!t} zu klein für {3}.</translation>
    </message>
    <message>
        <source>{0}: the path does not close.</source>
        <translation>{0}: die Bahn schließt sich nicht.</translation>
    </message>
    <message>
        <source>Mend the drawing first.</source>
        <translation>Bitte zuerst die Zeichnung heilen.</translation>
    </message>
    <message>
        <source>contour crosses its neighbour and is</source>
        <translation>Kontur kreuzt ihre Nachbarin und ist</translation>
    </message>
    <message>
        <source>contours cross their neighbours and are</source>
        <translation>Konturen kreuzen ihre Nachbarinnen und sind</translation>
    </message>
    <message>
        <source>{0}: {1} cut together with what is crossed.</source>
        <translation>{0}: {1} zusammen mit dem geschnitten, was gekreuzt wird.</translation>
    </message>
    <message>
        <source>{0}: {1} too small for {2}, the first of them {3}.</source>
        <translation>{0}: {1!t} zu klein für {2}, davon zuerst {3!t}.</translation>
    </message>
    <message>
        <source>a circle of {0} mm</source>
        <translation>ein Kreis von {0} mm</translation>
    </message>
    <message>
        <source>of {0} x {1} mm</source>
        <translation>von {0} x {1} mm</translation>
    </message>
    <message>
        <source>{0}: {1} no room for a lead and is begun on the line.</source>
        <translation>{0}: {1} hat keinen Platz für eine Anfahrt und wird auf der Linie begonnen.</translation>
    </message>
    <message>
        <source>{0}: {1} no room for a lead and are begun on the line.</source>
        <translation>{0}: {1} haben keinen Platz für eine Anfahrt und werden auf der Linie begonnen.</translation>
    </message>
    <message>
        <source>{0}: nothing in the drawing is closed.</source>
        <translation>{0}: nichts in der Zeichnung ist geschlossen.</translation>
    </message>
    <message>
        <source>Mend it first, or follow the line.</source>
        <translation>Bitte zuerst heilen, oder der Linie nach.</translation>
    </message>
    <message>
        <source>{0} is about nothing.</source>
        <translation>{0} gilt für nichts.</translation>
    </message>
    <message>
        <source>Choose other contours for it.</source>
        <translation>Bitte andere Konturen dafür wählen.</translation>
    </message>
    <message>
        <source>The rings of a pocket do not close.</source>
        <translation>Die Ringe einer Tasche schließen sich nicht.</translation>
    </message>
    <message>
        <source>Mend the drawing, or take another tool.</source>
        <translation>Bitte die Zeichnung heilen oder ein anderes Werkzeug nehmen.</translation>
    </message>
    <message>
        <source>The pocket is too large for so small a tool.</source>
        <translation>Die Tasche ist zu groß für ein so kleines Werkzeug.</translation>
    </message>
    <message>
        <source>Take a larger one.</source>
        <translation>Bitte ein größeres nehmen.</translation>
    </message>
    <message>
        <source>A region of {0} is no longer there.</source>
        <translation>Eine Fläche von {0} ist nicht mehr da.</translation>
    </message>
    <message>
        <source>#{0} is no longer there.</source>
        <translation>#{0} ist nicht mehr da.</translation>
    </message>
    <message>
        <source>An arc has no centre.</source>
        <translation>Ein Bogen hat keine Mitte.</translation>
    </message>
    <message>
        <source>{0} min {1} s</source>
        <translation>{0} min {1} s</translation>
    </message>
    <message>
        <source>The machine “{0}” has a line that cannot be filled in: {1}</source>
        <translation>Die Maschine „{0}“ hat eine Zeile, die sich nicht ausfüllen lässt: {1}</translation>
    </message>
    <message>
        <source>Its names in braces are: tool, speed, pierce, safe, system.</source>
        <translation>Ihre Namen in Klammern sind: tool, speed, pierce, safe, system.</translation>
    </message>
    <message>
        <source>An arc begins nowhere.</source>
        <translation>Ein Bogen beginnt nirgendwo.</translation>
    </message>
    <message>
        <source>An arc of radius {0} mm cannot be written with {1} places.</source>
        <translation>Ein Bogen mit Radius {0} mm lässt sich nicht mit {1} Stellen schreiben.</translation>
    </message>
    <message>
        <source>Give the machine more places behind the point.</source>
        <translation>Bitte der Maschine mehr Stellen hinter dem Komma geben.</translation>
    </message>
    <message>
        <source>{0} is no set of operations: {1}.</source>
        <translation>{0} ist kein Satz von Arbeitsgängen: {1}.</translation>
    </message>
    <message>
        <source>{0} has no operation.</source>
        <translation>{0} hat keinen Arbeitsgang.</translation>
    </message>
    <message>
        <source>Write one under [[operation]].</source>
        <translation>Bitte einen unter [[operation]] schreiben.</translation>
    </message>
    <message>
        <source>{0}: two operations are called “{1}”.</source>
        <translation>{0}: zwei Arbeitsgänge heißen „{1}“.</translation>
    </message>
    <message>
        <source>{0}, operation {1}</source>
        <translation>{0}, Arbeitsgang {1}</translation>
    </message>
    <message>
        <source>{0}: “{1}” means nothing here.</source>
        <translation>{0}: „{1}“ bedeutet hier nichts.</translation>
    </message>
    <message>
        <source>Known are {0}.</source>
        <translation>Bekannt sind {0}.</translation>
    </message>
    <message>
        <source>Nest on sheets of {0} x {1} mm</source>
        <translation>Auf Tafeln von {0} x {1} mm verschachteln</translation>
    </message>
    <message>
        <source>The sheet, its margin or the gap makes no sense.</source>
        <translation>Die Tafel, ihr Rand oder der Abstand ergibt keinen Sinn.</translation>
    </message>
    <message>
        <source>Give lengths in mm.</source>
        <translation>Bitte Längen in mm geben.</translation>
    </message>
    <message>
        <source>Nothing is closed, so nothing can be nested.</source>
        <translation>Nichts ist geschlossen, also lässt sich nichts verschachteln.</translation>
    </message>
    <message>
        <source>There cannot be fewer than no copies.</source>
        <translation>Weniger als keine Kopien kann es nicht geben.</translation>
    </message>
    <message>
        <source>1 part</source>
        <translation>1 Teil</translation>
    </message>
    <message>
        <source>1 sheet</source>
        <translation>1 Tafel</translation>
    </message>
    <message>
        <source>{0} on {1}; {2} is waste.</source>
        <translation>{0!t} auf {1!t}; {2} sind Abfall.</translation>
    </message>
    <message>
        <source>Cut on “{0}”</source>
        <translation>Auf „{0}“ schneiden</translation>
    </message>
    <message>
        <source>Stock of {0} mm</source>
        <translation>Rohling von {0} mm</translation>
    </message>
    <message>
        <source>Stock of {0}</source>
        <translation>Rohling von {0}</translation>
    </message>
    <message>
        <source>The {0} has no size.</source>
        <translation>{0!t} hat keine Größe.</translation>
    </message>
    <message>
        <source>Tool “{0}”</source>
        <translation>Werkzeug „{0}“</translation>
    </message>
    <message>
        <source>Operation “{0}”</source>
        <translation>Arbeitsgang „{0}“</translation>
    </message>
    <message>
        <source>Type one.</source>
        <translation>Bitte einen tippen.</translation>
    </message>
    <message>
        <source>There is no setting “{0}”.</source>
        <translation>Eine Einstellung „{0}“ gibt es nicht.</translation>
    </message>
    <message>
        <source>Without “{0}”</source>
        <translation>Ohne „{0}“</translation>
    </message>
    <message>
        <source>Without {0} operations</source>
        <translation>Ohne {0} Arbeitsgänge</translation>
    </message>
    <message>
        <source>Operations put in another order</source>
        <translation>Arbeitsgänge umgeordnet</translation>
    </message>
    <message>
        <source>other side</source>
        <translation>andere Seite</translation>
    </message>
    <message>
        <source>“{0}”, one contour: {1}</source>
        <translation>„{0}“, eine Kontur: {1!t}</translation>
    </message>
    <message>
        <source>“{0}”: other contours</source>
        <translation>„{0}“: andere Konturen</translation>
    </message>
    <message>
        <source>Order of cutting, by hand</source>
        <translation>Schnittreihenfolge, von Hand</translation>
    </message>
    <message>
        <source>Order of cutting: {0}</source>
        <translation>Schnittreihenfolge: {0!t}</translation>
    </message>
    <message>
        <source>The stock has no size.</source>
        <translation>Der Rohling hat keine Größe.</translation>
    </message>
    <message>
        <source>Give it a size, or a margin round the parts.</source>
        <translation>Bitte eine Größe geben, oder einen Rand um die Teile.</translation>
    </message>
    <message>
        <source>There is no sketch called “{0}” for the stock.</source>
        <translation>Es gibt keine Skizze „{0}“ für den Rohling.</translation>
    </message>
    <message>
        <source>Take a layer in Route, or mend the drawing first.</source>
        <translation>Bitte in Zuordnung einen Layer nehmen oder die Zeichnung zuerst heilen.</translation>
    </message>
    <message>
        <source>Nothing is to be cut yet: add an operation.</source>
        <translation>Noch wird nichts geschnitten: einen Arbeitsgang hinzufügen.</translation>
    </message>
    <message>
        <source>program that is cut</source>
        <translation>Programm, das geschnitten wird</translation>
    </message>
    <message>
        <source>Leave an operation out, or cut a part of the drawing.</source>
        <translation>Bitte einen Arbeitsgang weglassen oder einen Teil der Zeichnung schneiden.</translation>
    </message>
    <message>
        <source>There is no display to open a window on.</source>
        <translation>Es gibt keinen Bildschirm für ein Fenster.</translation>
    </message>
    <message>
        <source>Use syntaxa inspect or mend, or a virtual display.</source>
        <translation>Nehmen Sie syntaxa inspect oder mend, oder einen virtuellen Bildschirm.</translation>
    </message>
    <message>
        <source>This took longer than it may.</source>
        <translation>Das dauerte länger als erlaubt.</translation>
    </message>
    <message>
        <source>Give it more time.</source>
        <translation>Bitte mehr Zeit geben.</translation>
    </message>
    <message>
        <source>top</source>
        <translation>oben</translation>
    </message>
    <message>
        <source>front</source>
        <translation>vorn</translation>
    </message>
    <message>
        <source>right</source>
        <translation>rechts</translation>
    </message>
    <message>
        <source>left</source>
        <translation>links</translation>
    </message>
    <message>
        <source>back</source>
        <translation>hinten</translation>
    </message>
    <message>
        <source>bottom</source>
        <translation>unten</translation>
    </message>
    <message>
        <source>isometric</source>
        <translation>schräg</translation>
    </message>
    <message>
        <source>side</source>
        <translation>Seite</translation>
    </message>
    <message>
        <source>colour</source>
        <translation>Farbe</translation>
    </message>
    <message>
        <source>kind</source>
        <translation>Art</translation>
    </message>
    <message>
        <source>radius</source>
        <translation>Radius</translation>
    </message>
    <message>
        <source>length</source>
        <translation>Länge</translation>
    </message>
    <message>
        <source>width</source>
        <translation>Breite</translation>
    </message>
    <message>
        <source>height</source>
        <translation>Höhe</translation>
    </message>
    <message>
        <source>block</source>
        <translation>Block</translation>
    </message>
    <message>
        <source>weight</source>
        <translation>Stärke</translation>
    </message>
    <message>
        <source>role</source>
        <translation>Rolle</translation>
    </message>
    <message>
        <source>out</source>
        <translation>draußen</translation>
    </message>
    <message>
        <source>profile</source>
        <translation>Kontur</translation>
    </message>
    <message>
        <source>Gap</source>
        <translation>Lücke</translation>
    </message>
    <message>
        <source>Overlap</source>
        <translation>Überlappung</translation>
    </message>
    <message>
        <source>Duplicate</source>
        <translation>Doppel</translation>
    </message>
    <message>
        <source>Speck</source>
        <translation>Krümel</translation>
    </message>
    <message>
        <source>Overshoot</source>
        <translation>Überstand</translation>
    </message>
    <message>
        <source>Dead end</source>
        <translation>Sackgasse</translation>
    </message>
    <message>
        <source>Crossing</source>
        <translation>Kreuzung</translation>
    </message>
    <message>
        <source>Self-crossing</source>
        <translation>Selbstkreuzung</translation>
    </message>
    <message>
        <source>Mouth</source>
        <translation>Mund</translation>
    </message>
    <message>
        <source>Missing piece</source>
        <translation>Fehlendes Stück</translation>
    </message>
    <message>
        <source>Stray</source>
        <translation>Streuner</translation>
    </message>
    <message>
        <source>Open end</source>
        <translation>Offenes Ende</translation>
    </message>
    <message>
        <source>Facet run</source>
        <translation>Facettenzug</translation>
    </message>
    <message>
        <source>Kink</source>
        <translation>Knick</translation>
    </message>
    <message>
        <source>Off-plane</source>
        <translation>Gekippt</translation>
    </message>
    <message>
        <source>overlap</source>
        <translation>Überlappung</translation>
    </message>
    <message>
        <source>duplicate</source>
        <translation>Doppel</translation>
    </message>
    <message>
        <source>overshoot</source>
        <translation>Überstand</translation>
    </message>
    <message>
        <source>stray</source>
        <translation>Streuner</translation>
    </message>
    <message>
        <source>kink</source>
        <translation>Knick</translation>
    </message>
    <message>
        <source>Arc</source>
        <translation>Bogen</translation>
    </message>
    <message>
        <source>Circle</source>
        <translation>Kreis</translation>
    </message>
    <message>
        <source>Ellipse</source>
        <translation>Ellipse</translation>
    </message>
    <message>
        <source>Spline</source>
        <translation>Spline</translation>
    </message>
    <message>
        <source>File</source>
        <translation>Datei</translation>
    </message>
    <message>
        <source>Edit</source>
        <translation>Bearbeiten</translation>
    </message>
    <message>
        <source>Stage</source>
        <translation>Stufe</translation>
    </message>
    <message>
        <source>diameter</source>
        <translation>Durchmesser</translation>
    </message>
    <message>
        <source>angle</source>
        <translation>Winkel</translation>
    </message>
    <message>
        <source>offset</source>
        <translation>Versatz</translation>
    </message>
    <message>
        <source>sweep</source>
        <translation>Öffnungswinkel</translation>
    </message>
    <message>
        <source>smallest</source>
        <translation>kleinster Abstand</translation>
    </message>
    <message>
        <source>chain</source>
        <translation>Kette</translation>
    </message>
    <message>
        <source>base lines</source>
        <translation>Bezugsmaße</translation>
    </message>
    <message>
        <source>coordinates</source>
        <translation>Koordinaten</translation>
    </message>
    <message>
        <source>dashed</source>
        <translation>gestrichelt</translation>
    </message>
    <message>
        <source>dotted</source>
        <translation>gepunktet</translation>
    </message>
    <message>
        <source>dash-dot</source>
        <translation>Strichpunkt</translation>
    </message>
    <message>
        <source>dash-two-dots</source>
        <translation>Strich-zwei-Punkt</translation>
    </message>
    <message>
        <source>millimetres</source>
        <translation>Millimeter</translation>
    </message>
    <message>
        <source>centimetres</source>
        <translation>Zentimeter</translation>
    </message>
    <message>
        <source>metres</source>
        <translation>Meter</translation>
    </message>
    <message>
        <source>inches</source>
        <translation>Zoll</translation>
    </message>
    <message>
        <source>feet</source>
        <translation>Fuß</translation>
    </message>
    <message>
        <source>kilometres</source>
        <translation>Kilometer</translation>
    </message>
    <message>
        <source>micrometres</source>
        <translation>Mikrometer</translation>
    </message>
    <message>
        <source>yards</source>
        <translation>Yard</translation>
    </message>
    <message>
        <source>decimetres</source>
        <translation>Dezimeter</translation>
    </message>
    <message>
        <source>title</source>
        <translation>Titel</translation>
    </message>
    <message>
        <source>Title</source>
        <translation>Titel</translation>
    </message>
    <message>
        <source>Mass</source>
        <translation>Masse</translation>
    </message>
    <message>
        <source>Owner</source>
        <translation>Eigner</translation>
    </message>
    <message>
        <source>Date</source>
        <translation>Datum</translation>
    </message>
    <message>
        <source>Drawn</source>
        <translation>Gezeichnet</translation>
    </message>
    <message>
        <source>Approved</source>
        <translation>Genehmigt</translation>
    </message>
    <message>
        <source>Responsible</source>
        <translation>Verantwortlich</translation>
    </message>
    <message>
        <source>Tolerances</source>
        <translation>Toleranzen</translation>
    </message>
    <message>
        <source>mill</source>
        <translation>Fräse</translation>
    </message>
    <message>
        <source>router</source>
        <translation>Portalfräse</translation>
    </message>
    <message>
        <source>drill</source>
        <translation>Bohrer</translation>
    </message>
    <message>
        <source>cone</source>
        <translation>Kegel</translation>
    </message>
    <message>
        <source>laser</source>
        <translation>Laser</translation>
    </message>
    <message>
        <source>plasma</source>
        <translation>Plasma</translation>
    </message>
    <message>
        <source>waterjet</source>
        <translation>Wasserstrahl</translation>
    </message>
    <message>
        <source>knife</source>
        <translation>Messer</translation>
    </message>
    <message>
        <source>beam</source>
        <translation>Strahl</translation>
    </message>
    <message>
        <source>text</source>
        <translation>Text</translation>
    </message>
    <message>
        <source>hatch</source>
        <translation>Schraffur</translation>
    </message>
    <message>
        <source>point</source>
        <translation>Punkt</translation>
    </message>
    <message>
        <source>image</source>
        <translation>Bild</translation>
    </message>
    <message>
        <source>leader</source>
        <translation>Hinweislinie</translation>
    </message>
    <message>
        <source>end</source>
        <translation>Ende</translation>
    </message>
    <message>
        <source>middle</source>
        <translation>Mitte</translation>
    </message>
    <message>
        <source>crossing</source>
        <translation>Kreuzung</translation>
    </message>
    <message>
        <source>quadrant</source>
        <translation>Quadrant</translation>
    </message>
    <message>
        <source>tangent</source>
        <translation>Tangente</translation>
    </message>
    <message>
        <source>perpendicular</source>
        <translation>Lot</translation>
    </message>
    <message>
        <source>live</source>
        <translation>treibt</translation>
    </message>
    <message>
        <source>measured</source>
        <translation>gemessen</translation>
    </message>
    <message>
        <source>parallel</source>
        <translation>parallel</translation>
    </message>
    <message>
        <source>horizontal</source>
        <translation>waagrecht</translation>
    </message>
    <message>
        <source>vertical</source>
        <translation>senkrecht</translation>
    </message>
    <message>
        <source>coincident</source>
        <translation>zusammenfallend</translation>
    </message>
    <message>
        <source>concentric</source>
        <translation>konzentrisch</translation>
    </message>
    <message>
        <source>symmetric</source>
        <translation>symmetrisch</translation>
    </message>
    <message>
        <source>collinear</source>
        <translation>fluchtend</translation>
    </message>
    <message>
        <source>fixed</source>
        <translation>fest</translation>
    </message>
    <message>
        <source>inner</source>
        <translation>innen</translation>
    </message>
    <message>
        <source>outer</source>
        <translation>außen</translation>
    </message>
    <message>
        <source>first</source>
        <translation>ersten</translation>
    </message>
    <message>
        <source>third</source>
        <translation>dritten</translation>
    </message>
    <message>
        <source>aluminium</source>
        <translation>Aluminium</translation>
    </message>
    <message>
        <source>steel</source>
        <translation>Stahl</translation>
    </message>
    <message>
        <source>brass</source>
        <translation>Messing</translation>
    </message>
    <message>
        <source>Comparing dimensions</source>
        <translation>Maße werden verglichen</translation>
    </message>
    <message>
        <source>Contours</source>
        <translation>Konturen</translation>
    </message>
    <message>
        <source>Counting what goes out</source>
        <translation>Es wird gezählt, was hinausgeht</translation>
    </message>
    <message>
        <source>Cutting</source>
        <translation>Es wird geschnitten</translation>
    </message>
    <message>
        <source>Drawing the sheet</source>
        <translation>Das Blatt wird gezeichnet</translation>
    </message>
    <message>
        <source>Drawing what is aside</source>
        <translation>Beiseitegelegtes wird gezeichnet</translation>
    </message>
    <message>
        <source>Faces and edges</source>
        <translation>Flächen und Kanten</translation>
    </message>
    <message>
        <source>Freedom</source>
        <translation>Freiheit</translation>
    </message>
    <message>
        <source>Grouping</source>
        <translation>Es wird gruppiert</translation>
    </message>
    <message>
        <source>Looking what that would do</source>
        <translation>Es wird nachgesehen, was das täte</translation>
    </message>
    <message>
        <source>Making the table</source>
        <translation>Die Tabelle wird gemacht</translation>
    </message>
    <message>
        <source>Measuring</source>
        <translation>Es wird gemessen</translation>
    </message>
    <message>
        <source>Measuring the result</source>
        <translation>Das Ergebnis wird gemessen</translation>
    </message>
    <message>
        <source>Measuring what came in</source>
        <translation>Das Hereingekommene wird gemessen</translation>
    </message>
    <message>
        <source>Playing</source>
        <translation>Es wird abgespielt</translation>
    </message>
    <message>
        <source>Reporting</source>
        <translation>Es wird berichtet</translation>
    </message>
    <message>
        <source>Showing what that would do</source>
        <translation>Es wird gezeigt, was das täte</translation>
    </message>
    <message>
        <source>Solids and sketches</source>
        <translation>Körper und Skizzen</translation>
    </message>
    <message>
        <source>Trying it</source>
        <translation>Es wird versucht</translation>
    </message>
    <message>
        <source>Trying every tolerance</source>
        <translation>Jede Toleranz wird versucht</translation>
    </message>
    <message>
        <source>Laying out</source>
        <translation>Es wird angeordnet</translation>
    </message>
    <message>
        <source>Shading</source>
        <translation>Es wird schattiert</translation>
    </message>
    <message>
        <source>Surveying</source>
        <translation>Es wird nachgesehen</translation>
    </message>
    <message>
        <source>{0} profiles</source>
        <translation>{0} Außenkonturen</translation>
    </message>
    <message>
        <source>{0} profile</source>
        <translation>{0} Außenkontur</translation>
    </message>
    <message>
        <source>{0} holes</source>
        <translation>{0} Löcher</translation>
    </message>
    <message>
        <source>{0} hole</source>
        <translation>{0} Loch</translation>
    </message>
    <message>
        <source>{0} open lines</source>
        <translation>{0} offene Linien</translation>
    </message>
    <message>
        <source>{0} open line</source>
        <translation>{0} offene Linie</translation>
    </message>
    <message>
        <source>{0} closed contours ({1}, {2}) and {3}</source>
        <translation>{0} geschlossene Konturen ({1!t}, {2!t}) und {3!t}</translation>
    </message>
    <message>
        <source>{0} closed contours ({1}, {2})</source>
        <translation>{0} geschlossene Konturen ({1!t}, {2!t})</translation>
    </message>
    <message>
        <source>{0} closed contours and {1}</source>
        <translation>{0} geschlossene Konturen und {1!t}</translation>
    </message>
    <message>
        <source>{0} closed contour and {1}</source>
        <translation>{0} geschlossene Kontur und {1!t}</translation>
    </message>
    <message>
        <source>{0} bodies</source>
        <translation>{0} Körper</translation>
    </message>
    <message>
        <source>{0} body</source>
        <translation>{0} Körper</translation>
    </message>
    <message>
        <source>{0} rows</source>
        <translation>{0} Zeilen</translation>
    </message>
    <message>
        <source>{0} row</source>
        <translation>{0} Zeile</translation>
    </message>
    <message>
        <source></source>
        <translation></translation>
    </message>
    <message>
        <source>{0} curves would become {1} arcs.</source>
        <translation>{0} Kurven würden {1} Bögen.</translation>
    </message>
    <message>
        <source>{0} facets would become arcs in {1}.</source>
        <translation>{0} Facetten würden Bögen in {1!t}.</translation>
    </message>
    <message>
        <source>{0} curves would become exact.</source>
        <translation>{0} Kurven würden genau.</translation>
    </message>
    <message>
        <source>{0} vertices and arcs would become {1}.</source>
        <translation>{0} Ecken und Bögen würden {1}.</translation>
    </message>
    <message>
        <source>1 run</source>
        <translation>1 Zug</translation>
    </message>
    <message>
        <source>{0} runs</source>
        <translation>{0} Zügen</translation>
    </message>
    <message>
        <source>moved</source>
        <translation>verschoben</translation>
    </message>
    <message>
        <source>lengthened</source>
        <translation>verlängert</translation>
    </message>
    <message>
        <source>dropped</source>
        <translation>weggefallen</translation>
    </message>
    <message>
        <source>No.</source>
        <translation>Nr.</translation>
    </message>
    <message>
        <source>Count</source>
        <translation>Anzahl</translation>
    </message>
    <message>
        <source>Change</source>
        <translation>Änderung</translation>
    </message>
    <message>
        <source>Perimeter</source>
        <translation>Umfang</translation>
    </message>
    <message>
        <source>Centres</source>
        <translation>Mitten</translation>
    </message>
    <message>
        <source>Way</source>
        <translation>Weg</translation>
    </message>
    <message>
        <source>Sweep</source>
        <translation>Öffnungswinkel</translation>
    </message>
    <message>
        <source>Diameter</source>
        <translation>Durchmesser</translation>
    </message>
    <message>
        <source>lines</source>
        <translation>Linien</translation>
    </message>
    <message>
        <source>arcs</source>
        <translation>Bögen</translation>
    </message>
    <message>
        <source>circles</source>
        <translation>Kreise</translation>
    </message>
    <message>
        <source>ellipses</source>
        <translation>Ellipsen</translation>
    </message>
    <message>
        <source>splines</source>
        <translation>Splines</translation>
    </message>
    <message>
        <source>polylines</source>
        <translation>Polylinien</translation>
    </message>
    <message>
        <source>circle</source>
        <translation>Kreis</translation>
    </message>
    <message>
        <source>ellipse</source>
        <translation>Ellipse</translation>
    </message>
    <message>
        <source>spline</source>
        <translation>Spline</translation>
    </message>
    <message>
        <source>polyline</source>
        <translation>Polylinie</translation>
    </message>
    <message>
        <source>texts</source>
        <translation>Texte</translation>
    </message>
    <message>
        <source>points</source>
        <translation>Punkte</translation>
    </message>
    <message>
        <source>images</source>
        <translation>Bilder</translation>
    </message>
    <message>
        <source>leaders</source>
        <translation>Hinweislinien</translation>
    </message>
    <message>
        <source>imperial</source>
        <translation>zöllig</translation>
    </message>
    <message>
        <source>metric</source>
        <translation>metrisch</translation>
    </message>
    <message>
        <source>Overrun</source>
        <translation>Überstand</translation>
    </message>
    <message>
        <source>overrun</source>
        <translation>Überstand</translation>
    </message>
    <message>
        <source>level</source>
        <translation>waagrecht</translation>
    </message>
    <message>
        <source>on</source>
        <translation>darauf</translation>
    </message>
    <message>
        <source>midpoint</source>
        <translation>Mittelpunkt</translation>
    </message>
    <message>
        <source>ring</source>
        <translation>Ring</translation>
    </message>
    <message>
        <source>symmetry</source>
        <translation>Symmetrie</translation>
    </message>
    <message>
        <source>distance x</source>
        <translation>Abstand x</translation>
    </message>
    <message>
        <source>distance y</source>
        <translation>Abstand y</translation>
    </message>
    <message>
        <source>along</source>
        <translation>entlang</translation>
    </message>
    <message>
        <source>bronze</source>
        <translation>Bronze</translation>
    </message>
    <message>
        <source>copper</source>
        <translation>Kupfer</translation>
    </message>
    <message>
        <source>softwood</source>
        <translation>Weichholz</translation>
    </message>
    <message>
        <source>acrylic</source>
        <translation>Acrylglas</translation>
    </message>
    <message>
        <source>polyethylene</source>
        <translation>Polyethylen</translation>
    </message>
    <message>
        <source>polyacetal</source>
        <translation>Polyacetal</translation>
    </message>
    <message>
        <source>{0} and {1} constraint</source>
        <translation>{0!t} und {1} Bedingung</translation>
    </message>
    <message>
        <source>{0} and {1} constraints</source>
        <translation>{0!t} und {1} Bedingungen</translation>
    </message>
    <message>
        <source>{0} dimensions</source>
        <translation>{0} Maße</translation>
    </message>
    <message>
        <source>{0} dimension</source>
        <translation>{0} Maß</translation>
    </message>
    <message>
        <source>{0} constraints</source>
        <translation>{0} Bedingungen</translation>
    </message>
    <message>
        <source>{0} constraint</source>
        <translation>{0} Bedingung</translation>
    </message>
    <message>
        <source>{0} curves: {1}</source>
        <translation>{0} Kurven: {1}</translation>
    </message>
    <message>
        <source>1 curve: {0}</source>
        <translation>1 Kurve: {0}</translation>
    </message>
    <message>
        <source>{0} curves: no longer {1}</source>
        <translation>{0} Kurven: nicht mehr {1}</translation>
    </message>
    <message>
        <source>wrong</source>
        <translation>falsch</translation>
    </message>
    <message>
        <source>Part {0}</source>
        <translation>Teil {0}</translation>
    </message>
    <message>
        <source>As received</source>
        <translation>Wie erhalten</translation>
    </message>
    <message>
        <source>Section at {0} = {1}</source>
        <translation>Schnitt bei {0} = {1}</translation>
    </message>
    <message>
        <source>Sheet 1</source>
        <translation>Sheet 1</translation>
    </message>
    <message>
        <source>parts of the drawing</source>
        <translation>Teile der Zeichnung</translation>
    </message>
    <message>
        <source>What is in it</source>
        <translation>Was darin ist</translation>
    </message>
    <message>
        <source>Handed over</source>
        <translation>Übergeben</translation>
    </message>
    <message>
        <source>To be known</source>
        <translation>Zu wissen</translation>
    </message>
    <message>
        <source>Each digest is that of the file as it is in this package.</source>
        <translation>Jede Prüfsumme ist die der Datei, wie sie in diesem Paket ist.</translation>
    </message>
    <message>
        <source>Syntaxa drawings</source>
        <translation>Syntaxa drawings</translation>
    </message>
    <message>
        <source>mapped to</source>
        <translation>zugeordnet zu</translation>
    </message>
    <message>
        <source>unsupported entity</source>
        <translation>unbekanntes Element</translation>
    </message>
    <message>
        <source>code page</source>
        <translation>Zeichentabelle</translation>
    </message>
    <message>
        <source>{0}: no longer {1}</source>
        <translation>{0!t}: nicht mehr {1}</translation>
    </message>
    <message>
        <source>Lock {0}</source>
        <translation>{0!t} sperren</translation>
    </message>
    <message>
        <source>Unlock {0}</source>
        <translation>{0!t} entsperren</translation>
    </message>
    <message>
        <source>facet run:{0}</source>
        <translation>Facettenzug:{0}</translation>
    </message>
    <message>
        <source>#{} cannot be split there.</source>
        <translation>#{0} lässt sich dort nicht teilen.</translation>
    </message>
    <message>
        <source>#{} meets no curve of its sketch if it goes on there.</source>
        <translation>#{0} trifft keine Kurve ihrer Skizze, wenn es dort weitergeht.</translation>
    </message>
    <message>
        <source>Take up {0}</source>
        <translation>{0!t} aufnehmen</translation>
    </message>
    <message>
        <source>Leave {0}</source>
        <translation>{0!t} belassen</translation>
    </message>
    <message>
        <source>origin, changed</source>
        <translation>Herkunft, geändert</translation>
    </message>
    <message>
        <source>the edge between </source>
        <translation>die Kante zwischen </translation>
    </message>
    <message>
        <source>place alone</source>
        <translation>Stelle allein</translation>
    </message>
    <message>
        <source>origin, though what is round it has changed</source>
        <translation>Herkunft, obwohl sich geändert hat, was darum liegt</translation>
    </message>
    <message>
        <source>common practice, no published source</source>
        <translation>übliche Praxis, keine veröffentlichte Quelle</translation>
    </message>
    <message>
        <source>EN 1991-1-1:2002, table A.4</source>
        <translation>EN 1991-1-1:2002, Tabelle A.4</translation>
    </message>
    <message>
        <source>EN 10088-1:2005, annex E, 1.4301</source>
        <translation>EN 10088-1:2005, Anhang E, 1.4301</translation>
    </message>
    <message>
        <source>end mill {0}</source>
        <translation>Schaftfräser {0}</translation>
    </message>
    <message>
        <source>unit {0}, written by syntaxa {1}</source>
        <translation>Einheit {0}, geschrieben von syntaxa {1}</translation>
    </message>
    <message>
        <source>stock {0} x {1} x {2} mm</source>
        <translation>Rohling {0} x {1} x {2} mm</translation>
    </message>
    <message>
        <source>{0} findings</source>
        <translation>{0} Befunde</translation>
    </message>
    <message>
        <source>1 finding</source>
        <translation>1 Befund</translation>
    </message>
    <message>
        <source>Looking what can be measured</source>
        <translation>Es wird nachgesehen, was sich messen lässt</translation>
    </message>
    <message>
        <source>gap</source>
        <translation>Lücke</translation>
    </message>
    <message>
        <source>Account of all changes…</source>
        <translation>Bericht aller Änderungen…</translation>
    </message>
    <message>
        <source>As a page, a PDF or figures</source>
        <translation>Als Seite, als PDF oder als Zahlen</translation>
    </message>
    <message>
        <source>a detail</source>
        <translation>eine Einzelheit</translation>
    </message>
    <message>
        <source>a part</source>
        <translation>ein Teil</translation>
    </message>
    <message>
        <source>would become</source>
        <translation>würden</translation>
    </message>
    <message>
        <source>{0}: raise {1} to {2}</source>
        <translation>{0}: {1} heben bis {2}</translation>
    </message>
    <message>
        <source>{0}: raise {1} from {2} to {3}</source>
        <translation>{0}: {1} heben von {2} bis {3}</translation>
    </message>
    <message>
        <source>{0}: raise {1} up to {2}</source>
        <translation>{0}: {1} heben bis zu {2!t}</translation>
    </message>
    <message>
        <source>{0}: turn {1} about {2}</source>
        <translation>{0}: {1} drehen um {2}</translation>
    </message>
    <message>
        <source>, from {0} to {1}</source>
        <translation>, von {0} bis {1}</translation>
    </message>
    <message>
        <source>, moved {0}</source>
        <translation>, verschoben um {0}</translation>
    </message>
    <message>
        <source>, turned {0}</source>
        <translation>, gedreht um {0}</translation>
    </message>
    <message>
        <source>{0} is called {1}</source>
        <translation>{0} heißt {1}</translation>
    </message>
    <message>
        <source>{0} has the colour #{1}</source>
        <translation>{0} hat die Farbe #{1}</translation>
    </message>
    <message>
        <source>{0} is of {1}</source>
        <translation>{0} ist aus {1!t}</translation>
    </message>
    <message>
        <source>{0} is hidden</source>
        <translation>{0} ist verborgen</translation>
    </message>
    <message>
        <source>{0} is shown</source>
        <translation>{0} wird gezeigt</translation>
    </message>
    <message>
        <source>{0} has no density</source>
        <translation>{0} hat keine Dichte</translation>
    </message>
    <message>
        <source>Lengths</source>
        <translation>Längen</translation>
    </message>
    <message>
        <source>part</source>
        <translation>Teil</translation>
    </message>
    <message>
        <source>parts</source>
        <translation>Teile</translation>
    </message>
    <message>
        <source>sheet</source>
        <translation>Tafel</translation>
    </message>
    <message>
        <source>sheets</source>
        <translation>Tafeln</translation>
    </message>
    <message>
        <source>Split #{0}</source>
        <translation>#{0} teilen</translation>
    </message>
    <message>
        <source>Trim #{0}</source>
        <translation>#{0} stutzen</translation>
    </message>
    <message>
        <source>Extend #{0}</source>
        <translation>#{0} verlängern</translation>
    </message>
    <message>
        <source>{0} added.</source>
        <translation>{0} dazu.</translation>
    </message>
    <message>
        <source>Place {0}: {1}</source>
        <translation>{0} setzen: {1!t}</translation>
    </message>
    <message>
        <source>{0}: #{1}</source>
        <translation>{0!t}: #{1}</translation>
    </message>
    <message>
        <source>switched on</source>
        <translation>eingeschaltet</translation>
    </message>
    <message>
        <source>switched off</source>
        <translation>ausgeschaltet</translation>
    </message>
    <message>
        <source>{0} lies on the {1} plane</source>
        <translation>{0} liegt auf der Ebene {1!t}</translation>
    </message>
    <message>
        <source>, {0} regions</source>
        <translation>, {0} Flächen</translation>
    </message>
    <message>
        <source>, {0} region</source>
        <translation>, {0} Fläche</translation>
    </message>
    <message>
        <source>tool</source>
        <translation>Werkzeug</translation>
    </message>
    <message>
        <source>depth</source>
        <translation>Tiefe</translation>
    </message>
    <message>
        <source>step down</source>
        <translation>Zustellung</translation>
    </message>
    <message>
        <source>finish down</source>
        <translation>letzte Zustellung</translation>
    </message>
    <message>
        <source>finish</source>
        <translation>Schlichten</translation>
    </message>
    <message>
        <source>step over</source>
        <translation>Bahnabstand</translation>
    </message>
    <message>
        <source>allowance</source>
        <translation>Aufmaß</translation>
    </message>
    <message>
        <source>direction</source>
        <translation>Richtung</translation>
    </message>
    <message>
        <source>feed</source>
        <translation>Vorschub</translation>
    </message>
    <message>
        <source>speed</source>
        <translation>Drehzahl</translation>
    </message>
    <message>
        <source>entry</source>
        <translation>Eintauchen</translation>
    </message>
    <message>
        <source>entry angle</source>
        <translation>Eintauchwinkel</translation>
    </message>
    <message>
        <source>lead</source>
        <translation>Anfahrt</translation>
    </message>
    <message>
        <source>lead size</source>
        <translation>Größe der Anfahrt</translation>
    </message>
    <message>
        <source>lead out</source>
        <translation>Abfahrt</translation>
    </message>
    <message>
        <source>overcut</source>
        <translation>Überlauf</translation>
    </message>
    <message>
        <source>tab every</source>
        <translation>Abstand der Stege</translation>
    </message>
    <message>
        <source>tab width</source>
        <translation>Breite der Stege</translation>
    </message>
    <message>
        <source>tab height</source>
        <translation>Höhe der Stege</translation>
    </message>
    <message>
        <source>corners</source>
        <translation>Ecken</translation>
    </message>
    <message>
        <source>pierce</source>
        <translation>Einstechen</translation>
    </message>
    <message>
        <source>peck</source>
        <translation>Entspanen</translation>
    </message>
    <message>
        <source>dwell</source>
        <translation>Verweilen</translation>
    </message>
    <message>
        <source>common</source>
        <translation>gemeinsame Linien</translation>
    </message>
    <message>
        <source>tabs</source>
        <translation>Stege</translation>
    </message>
    <message>
        <source>three axes</source>
        <translation>drei Achsen</translation>
    </message>
    <message>
        <source>absolute</source>
        <translation>absolut</translation>
    </message>
    <message>
        <source>{0} ({1}, kerf {2} mm)</source>
        <translation>{0} ({1!t}, Schnittfuge {2} mm)</translation>
    </message>
    <message>
        <source>{0} ({1}, Ø {2} mm)</source>
        <translation>{0} ({1!t}, Ø {2} mm)</translation>
    </message>
    <message>
        <source>{0} of #{1}</source>
        <translation>{0!t} von #{1}</translation>
    </message>
    <message>
        <source>all edges of {0}</source>
        <translation>alle Kanten von {0}</translation>
    </message>
    <message>
        <source>all upright edges of {0}</source>
        <translation>alle senkrechten Kanten von {0}</translation>
    </message>
    <message>
        <source>edges that rise from corners of {0}</source>
        <translation>Kanten, die von Ecken aufsteigen von {0}</translation>
    </message>
    <message>
        <source>rims of flat faces of {0}</source>
        <translation>Ränder ebener Flächen von {0}</translation>
    </message>
    <message>
        <source>convex edges of {0}</source>
        <translation>erhabene Kanten von {0}</translation>
    </message>
    <message>
        <source>concave edges of {0}</source>
        <translation>hohle Kanten von {0}</translation>
    </message>
    <message>
        <source>{0} edges of {1}</source>
        <translation>{0} Kanten von {1}</translation>
    </message>
    <message>
        <source>{0} edge of {1}</source>
        <translation>{0} Kante von {1}</translation>
    </message>
    <message>
        <source>edges</source>
        <translation>Kanten</translation>
    </message>
    <message>
        <source>edge</source>
        <translation>Kante</translation>
    </message>
    <message>
        <source>{0}: fillet {1}</source>
        <translation>{0}: Verrundung {1}</translation>
    </message>
    <message>
        <source>{0}: chamfer {1}</source>
        <translation>{0}: Fase {1}</translation>
    </message>
    <message>
        <source>{0}: {1} joined with {2}</source>
        <translation>{0}: {1} vereint mit {2}</translation>
    </message>
    <message>
        <source>{0}: {1} without {2}</source>
        <translation>{0}: {1} ohne {2}</translation>
    </message>
    <message>
        <source>{0}: {1} where it shares room with {2}</source>
        <translation>{0}: {1}, wo es Raum teilt mit {2}</translation>
    </message>
    <message>
        <source>{0}: place {1} by {2}</source>
        <translation>{0}: {1} versetzen um {2}</translation>
    </message>
    <message>
        <source>{0}: {1} copies of {2} by {3}</source>
        <translation>{0}: {1} Kopien von {2} um {3}</translation>
    </message>
    <message>
        <source>{0} operations: {1}</source>
        <translation>{0} Arbeitsgänge: {1!t}</translation>
    </message>
    <message>
        <source>“{0}”: {1}</source>
        <translation>„{0}“: {1!t}</translation>
    </message>
    <message>
        <source>{0}: three axes, {1}, {2}</source>
        <translation>{0}: drei Achsen, {1}, {2!t}</translation>
    </message>
    <message>
        <source>place {0} by {1}</source>
        <translation>{0} versetzen um {1}</translation>
    </message>
    <message>
        <source>{0} copies of {1} by {2}</source>
        <translation>{0} Kopien von {1} um {2}</translation>
    </message>
    <message>
        <source>view {0}</source>
        <translation>Ansicht {0!t}</translation>
    </message>
    <message>
        <source>views {0}</source>
        <translation>Ansichten {0!t}</translation>
    </message>
    <message>
        <source>Found the {0}, as named: {1}</source>
        <translation>Gefunden: {0!t}, wie genannt: {1!t}</translation>
    </message>
    <message>
        <source>Found the {0} in {1} angle projection: read so, {2}</source>
        <translation>Gefunden: {0!t} im {1!t} Winkel: so gelesen, {2!t}</translation>
    </message>
    <message>
        <source>Found the {0} in {1} angle projection, as chosen; {2}</source>
        <translation>Gefunden: {0!t} im {1!t} Winkel, wie gewählt; {2!t}</translation>
    </message>
    <message>
        <source>Comparing with what was received</source>
        <translation>Es wird mit dem Erhaltenen verglichen</translation>
    </message>
    <message>
        <source>Drawing what was received</source>
        <translation>Das Erhaltene wird gezeichnet</translation>
    </message>
    <message>
        <source>Looking for faults</source>
        <translation>Es wird nach Fehlern gesucht</translation>
    </message>
    <message>
        <source>Looking what a step did</source>
        <translation>Es wird nachgesehen, was ein Schritt tat</translation>
    </message>
    <message>
        <source>Solids</source>
        <translation>Körper</translation>
    </message>
    <message>
        <source>Trying</source>
        <translation>Es wird versucht</translation>
    </message>
    <message>
        <source>Trying treatments</source>
        <translation>Behandlungen werden versucht</translation>
    </message>
    <message>
        <source>Weighing</source>
        <translation>Es wird gewogen</translation>
    </message>
    <message>
        <source>silhouette</source>
        <translation>Umriss</translation>
    </message>
    <message>
        <source>No space left on device</source>
        <translation>kein Platz mehr auf dem Datenträger</translation>
    </message>
    <message>
        <source>No such file or directory</source>
        <translation>keine solche Datei</translation>
    </message>
    <message>
        <source>Permission denied</source>
        <translation>keine Erlaubnis</translation>
    </message>
    <message>
        <source>Is a directory</source>
        <translation>es ist ein Ordner</translation>
    </message>
    <message>
        <source>Not a directory</source>
        <translation>es ist kein Ordner</translation>
    </message>
    <message>
        <source>Read-only file system</source>
        <translation>der Datenträger lässt sich nur lesen</translation>
    </message>
    <message>
        <source>{0} cannot be opened: {1}.</source>
        <translation>{0} lässt sich nicht öffnen: {1!t}.</translation>
    </message>
    <message>
        <source>face</source>
        <translation>Fläche</translation>
    </message>
    <message>
        <source>faces</source>
        <translation>Flächen</translation>
    </message>
    <message>
        <source>“{0}” uses “{1}”, which nothing is called.</source>
        <translation>„{0}“ nutzt „{1}“, wie nichts heißt.</translation>
    </message>
    <message>
        <source>{0}: “{1}” uses “{2}”, which nothing is called.</source>
        <translation>{0}: „{1}“ nutzt „{2}“, wie nichts heißt.</translation>
    </message>
    <message>
        <source>From the left</source>
        <translation>Von links</translation>
    </message>
    <message>
        <source>From the front</source>
        <translation>Von vorn</translation>
    </message>
    <message>
        <source>From below</source>
        <translation>Von unten</translation>
    </message>
    <message>
        <source>texts or areas</source>
        <translation>Texte oder Gebiete</translation>
    </message>
    <message>
        <source>{0} text or area: {1}.</source>
        <translation>{0} Text oder Gebiet: {1!t}.</translation>
    </message>
    <message>
        <source>{0} texts or areas: {1}.</source>
        <translation>{0} Texte oder Gebiete: {1!t}.</translation>
    </message>
    <message>
        <source>Add {0}</source>
        <translation>{0} dazu</translation>
    </message>
    <message>
        <source>Add {0} drawings</source>
        <translation>{0} Zeichnungen dazu</translation>
    </message>
    <message>
        <source>{0}: two axes, {1}, {2}</source>
        <translation>{0}: zwei Achsen, {1}, {2!t}</translation>
    </message>
    <message>
        <source>Add {0} dimension and {1} constraint</source>
        <translation>{0} Maß und {1} Bedingung dazu</translation>
    </message>
    <message>
        <source>Add {0} dimension and {1} constraints</source>
        <translation>{0} Maß und {1} Bedingungen dazu</translation>
    </message>
    <message>
        <source>Add {0} dimension</source>
        <translation>{0} Maß dazu</translation>
    </message>
    <message>
        <source>Add {0} dimensions and {1} constraint</source>
        <translation>{0} Maße und {1} Bedingung dazu</translation>
    </message>
    <message>
        <source>Add {0} dimensions and {1} constraints</source>
        <translation>{0} Maße und {1} Bedingungen dazu</translation>
    </message>
    <message>
        <source>Add {0} dimensions</source>
        <translation>{0} Maße dazu</translation>
    </message>
    <message>
        <source>Add {0} constraint</source>
        <translation>{0} Bedingung dazu</translation>
    </message>
    <message>
        <source>Add {0} constraints</source>
        <translation>{0} Bedingungen dazu</translation>
    </message>
    <message>
        <source>{0} cannot be written: {1}.</source>
        <translation>{0} lässt sich nicht schreiben: {1!t}.</translation>
    </message>
    <message>
        <source>{0} cannot be used: {1}.</source>
        <translation>{0} lässt sich nicht nutzen: {1!t}.</translation>
    </message>
    <message>
        <source>#{0} is locked.</source>
        <translation>#{0} ist gesperrt.</translation>
    </message>
    <message>
        <source>#{0} and {1} more of “{2}” are locked.</source>
        <translation>#{0} und {1} weitere von „{2}“ sind gesperrt.</translation>
    </message>
    <message>
        <source>At {0} dots to the inch the picture would have {1} million pixels.</source>
        <translation>Mit {0} Punkten je Zoll hätte das Bild {1} Millionen Bildpunkte.</translation>
    </message>
    <message>
        <source>At most {0} million can be written: take fewer dots.</source>
        <translation>Höchstens {0} Millionen lassen sich schreiben: bitte weniger Punkte nehmen.</translation>
    </message>
    <message>
        <source>The dots to the inch of a picture are 1 to {0}.</source>
        <translation>Punkte je Zoll eines Bildes sind 1 bis {0}.</translation>
    </message>
    <message>
        <source>There is nothing for a table of {0}.</source>
        <translation>Für eine Tabelle gibt es nichts: {0!t}.</translation>
    </message>
    <message>
        <source>Use {0}.</source>
        <translation>Bitte nehmen: {0}.</translation>
    </message>
    <message>
        <source>{0}: there is no column “{1}” for tools.</source>
        <translation>{0}: eine Spalte „{1}“ gibt es für Werkzeuge nicht.</translation>
    </message>
    <message>
        <source>{0} = {1}: {2}</source>
        <translation>{0} = {1}: {2!t}</translation>
    </message>
    <message>
        <source>“{0}” {1}.</source>
        <translation>„{0}“ {1!t}.</translation>
    </message>
    <message>
        <source>, within {0} mm and {1}</source>
        <translation>, auf {0} mm und {1}</translation>
    </message>
    <message>
        <source>Install the program anew.</source>
        <translation>Installieren Sie das Programm neu.</translation>
    </message>
    <message>
        <source>What reads DWG is not installed.</source>
        <translation>Das Teil, das DWG liest, ist nicht installiert.</translation>
    </message>
    <message>
        <source>duplicates</source>
        <translation>Doppel</translation>
    </message>
    <message>
        <source>overlaps</source>
        <translation>Überlappungen</translation>
    </message>
    <message>
        <source>speck</source>
        <translation>Krümel</translation>
    </message>
    <message>
        <source>specks</source>
        <translation>Krümel</translation>
    </message>
    <message>
        <source>gaps</source>
        <translation>Lücken</translation>
    </message>
    <message>
        <source>overruns</source>
        <translation>Überstände</translation>
    </message>
    <message>
        <source>dead ends</source>
        <translation>Sackgassen</translation>
    </message>
    <message>
        <source>crossings</source>
        <translation>Kreuzungen</translation>
    </message>
    <message>
        <source>self-crossing</source>
        <translation>Selbstkreuzung</translation>
    </message>
    <message>
        <source>self-crossings</source>
        <translation>Selbstkreuzungen</translation>
    </message>
    <message>
        <source>near-closed profile</source>
        <translation>fast geschlossene Kontur</translation>
    </message>
    <message>
        <source>near-closed profiles</source>
        <translation>fast geschlossene Konturen</translation>
    </message>
    <message>
        <source>missing pieces</source>
        <translation>fehlende Stücke</translation>
    </message>
    <message>
        <source>strays</source>
        <translation>Streuner</translation>
    </message>
    <message>
        <source>facet runs</source>
        <translation>Facettenzüge</translation>
    </message>
    <message>
        <source>kinks</source>
        <translation>Knicke</translation>
    </message>
    <message>
        <source>off-plane curve</source>
        <translation>schief liegende Kurve</translation>
    </message>
    <message>
        <source>off-plane curves</source>
        <translation>schief liegende Kurven</translation>
    </message>
    <message>
        <source>construction line</source>
        <translation>Hilfslinie</translation>
    </message>
    <message>
        <source>construction lines</source>
        <translation>Hilfslinien</translation>
    </message>
    <message>
        <source>As {0} at {1}, round sizes: {2} of {3}.</source>
        <translation>Als {0!t} im Maßstab {1}, runde Größen: {2} von {3}.</translation>
    </message>
    <message>
        <source>As {0}, it is {1} across{2}: a likely size.</source>
        <translation>Als {0!t} ist es {1} breit{2!t}: eine wahrscheinliche Größe.</translation>
    </message>
    <message>
        <source>As {0} at {1}, it is {2} across{3}: a likely size.</source>
        <translation>Als {0!t} im Maßstab {1} ist es {2} breit{3!t}: eine wahrscheinliche Größe.</translation>
    </message>
    <message>
        <source>No dimension fits what is drawn, whatever the unit.</source>
        <translation>Kein Maß passt zu dem, was gezeichnet ist, in welcher Einheit auch immer.</translation>
    </message>
    <message>
        <source>{0} of {1} dimensions fit {2} at {3}: one says {4}, and {5} at {6} is drawn.</source>
        <translation>{0} von {1} Maßen passen zu {2!t} im Maßstab {3}: eines sagt {4}, gezeichnet sind {5} im Maßstab {6}.</translation>
    </message>
    <message>
        <source>{0} of {1} dimensions fit {2}: one says {3}, and {4} is drawn.</source>
        <translation>{0} von {1} Maßen passen zu {2!t}: eines sagt {3}, gezeichnet sind {4}.</translation>
    </message>
    <message>
        <source>{0} of {1} numbers in the texts are lengths that are drawn, as {2} at {3}.</source>
        <translation>{0} von {1} Zahlen in den Texten sind Längen, die gezeichnet sind, als {2!t} im Maßstab {3}.</translation>
    </message>
    <message>
        <source>{0} of {1} numbers in the texts are lengths that are drawn, as {2}.</source>
        <translation>{0} von {1} Zahlen in den Texten sind Längen, die gezeichnet sind, als {2!t}.</translation>
    </message>
    <message>
        <source>a place is too narrow for Ø {0} mm; {1} mm of its outline stay.</source>
        <translation>eine Stelle ist zu eng für Ø {0} mm; {1} mm ihres Umrisses bleiben stehen.</translation>
    </message>
    <message>
        <source>a corner is too sharp for Ø {0} mm; {1} mm of its outline stay.</source>
        <translation>eine Ecke ist zu spitz für Ø {0} mm; {1} mm ihres Umrisses bleiben stehen.</translation>
    </message>
    <message>
        <source>{0}: {1} mm² are left where it is too narrow for Ø {2} mm.</source>
        <translation>{0}: {1} mm² bleiben stehen, wo es für Ø {2} mm zu eng ist.</translation>
    </message>
    <message>
        <source>a place that is too narrow for the tool</source>
        <translation>eine Stelle, die für das Werkzeug zu eng ist</translation>
    </message>
</context>
</TS>
