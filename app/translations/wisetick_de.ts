<?xml version="1.0" encoding="utf-8"?>
<!DOCTYPE TS>
<TS version="2.1" language="de_DE" sourcelanguage="en_US">
    <context>
        <name>wisetick</name>
        <message>
            <source>
Nothing is lost: the plan stays open. Save it elsewhere with Ctrl+Shift+S, or try again.</source>
            <translation type="unfinished" />
        </message>
        <message numerus="yes">
            <source> (or %n more that shows the same)</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> (used in line {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> (↓ and Enter)</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> + late</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> FD</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> FD fast</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> It was not saved over.</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> What was open stays.</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> above 0</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> after {} at the latest</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> and </source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> and at most a tenth sooner</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> and nothing behind it</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> and start-ups</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> and {} more)</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> as high as possible{}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> as low as possible{}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> asks for</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> at least {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> at most {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> at the fastest clock</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> at the slowest clock</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> at {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> below {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> between {} and {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> bit/s</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> can't be fed from '%1'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> can't be kept</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> can't be kept together</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> comes about every</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> comes every</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> cuts {} of {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> down to {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> early</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> freed</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> from %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> has one source only</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> in the worst case</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> in tier {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> in {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> instead of %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> is lost</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> is no field of {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> is received</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> late</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> line</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> lines</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> locked</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> ms</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> of 0 or more</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> or </source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> pt</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> s</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> the dead time takes {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> to </source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> transfer</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> transfers</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> up to {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> while {} is </source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> with {} from {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> with {}.</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> with {}{}{}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> within 0.1 %</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> within these limits.</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> within {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> woken from {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> {} alone {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> {} make both {} and {}.</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> × oversampling)</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> × prescaler</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> × speed of its waits</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> − brought)</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source> − {} brought</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>"n", "n-1", "log2 n", a form such as "16*n-16", or a table of codes</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>"n", "n-1", "log2 n", or a table of codes</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>"off", or {{ off = "ID" }} where it hangs on another line</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1  exact</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 % of the plays are done; Esc ends them</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 %2 each time, %3 after a thousand</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 %2: %3</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 (taken back)</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 against the active take: %2 of %3 fields found</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 against the plan</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 as often as planned</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 at %2</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 average</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 belongs to: %2</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 between 1 and 2, %2</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 bit at %2</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 bits: what is between both ends can be told apart</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 broken · %2 strained · %3 kept</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 can't be set to %2%3</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 can't reach %2 from its source</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 can't run at %2</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 can't stand together; without any one of them the others can</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 conversions each</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 early an hour</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 every %2</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 for %2</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 for %2 of the time</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 from %2</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 handed over</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 has %2 faults.</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 has a fault.</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 has changes that are not saved.</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 has no %2</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 has no field for a factor</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 in %2</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 is below 0</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 is free to take its best way</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 is locked; Ctrl+B frees it</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 is open %2 too: what is saved there and what is saved here write over one another.</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 is open at %2 bit/s</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 is open in another window, which was raised</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 it is</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 it is; with up to %2 of cable</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 lanes carry the data</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 late an hour</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 mode: low at least %2, high at least %3, rise at most %4</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 moved %2 results</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 no longer handed over</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 nominal, %2 to %3 at the corners</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 not kept</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 of %2</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 of %2 %3</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 of %2 fitted</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 of %2 words</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 of %2: %3 of its tolerance, changes %4; %5</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 of its tolerance, changes %2; %3</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 of the play</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 on %2</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 on average</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 on average; Shift and an arrow open a share</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 on, %2 off; it switches on count %3 of %4</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 other settings of the same rates</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 pays beyond %2</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 pinned to %2</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 plays of %2 runs: nine in ten lie within</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 quanta of %2; sampled at %3, jumps by up to %4</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 removed</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 there are</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 times in what is shown</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 to %2</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 turns, compiled for %2</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 typical, %2 at the longest, %3 asked</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 typically, %2 at most</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 was changed by another program since it was read.</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 was changed by another program.</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 was not written, for it could not be opened again: %2. What stood there stands there still.</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1 ← here</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1, %2</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1, %2 against the plan, %3</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1, %2 at a tick of %3; bands are what the plan predicts</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1, %2 left out</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1, %2, %3</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1, %2, %3 of the time: </source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1, %2: %3</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1, %2: %3; %4</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1, a promise</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1, active</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1, asked %2, got %3</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1, now %2, %3</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1, so %2</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1: %2</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%1: %2 = %3 = %4</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>%2, the first that is free of %1</source>
            <translation type="unfinished" />
        </message>
        <message numerus="yes">
            <source>%n edges</source>
            <translation type="unfinished" />
        </message>
        <message numerus="yes">
            <source>%n takes</source>
            <translation type="unfinished" />
        </message>
        <message numerus="yes">
            <source>%n times %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>&amp;Edit</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>&amp;File</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>&amp;Help</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>&amp;Plan</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>&amp;View</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>'%1' are no keys; such as Ctrl+Alt+J</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>'%1'; expected an address and a port, such as 127.0.0.1:%2</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>'= RATE', 'within', 'at least', 'at most', 'between', 'as high as possible' or 'as low as possible'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>'and' and the higher rate</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>'as' and one of {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>'at' and 'within' that do not stand together, alone</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>'base' beside 'typ' or 'max'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>'cycles' beside a time</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>'divide' for '{}', which has no divider</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>'draws' in the part file</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>'drive' for '{}', which has no choice of it</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>'every' needs to know by what: add 'by rtc'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>'multiply' for '{}', which has no multiplier</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>'rate' for '{}', which has no choice of rates</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>'steps' up to a rate, or 'from' a rate on</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>'to' a whole number of steps from 'from'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>'to' not below 'from'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>'{}' again</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>'{}' bits</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>'{}' can't be fed from '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>'{}' can't {} by {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>'{}' has no drive '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>'{}' has no rate</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>'{}' has no rate of {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>'{}' has no wake-up counter to wake every {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>'{}' is a peripheral</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>'{}' is accepted, and there is no such thing</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>'{}' is asked in take '{}'; change that promise first</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>'{}' is asked while the job '{}' runs; change that promise first</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>'{}' is handed over already</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>'{}' is in the part</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>'{}' is no sleep mode of this part</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>'{}' is not handed over</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>'{}' is the only take; a plan keeps one</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>'{}' keeps '{}' but none of its clocks</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>'{}' trimmed by itself</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>'{}' twice</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>'{}' with nothing {} it</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>'{}' without 'rates'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>'{}', which is nothing that a part has</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>'{}', which names no file</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>'{}', which stands for '{}' and is no number</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>'{}', whose ending tells no form</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>(1 + seg1) × data prescaler ÷ f, not before the node delay is over</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>(1 + seg1) ÷ quanta, nearest to {}{}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>(1 − longer half − shift) ÷ rate + held + trace − the port's hold, not below 0</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>(R + R_in) × C × ln(2^(bits + 2)), for a quarter of the least bit</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>(SJW_D − max(0, BRP_N/BRP_D − 1)) ÷ (2 ((2 NBT − PS2) BRP_N/BRP_D + PS2_D + 4 DBT))</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>(asked × {} − cycles of a call) ÷ cycles a turn</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>(asked ÷ repeats − late) × f</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>(command 8 + address {} + dummy + bytes × 8 ÷ lanes) ÷ rate</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>(got − asked) × periods in an hour</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>(handler + entry + exit) ÷ slowest core</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>(last − first) ÷ intervals</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>(periods that a feed takes + prescaler, which goes on) ÷ f</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>(prescaler × counts + fixed) ÷ f</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>(sampling + conversion) ÷ converter's clock</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>(shorter half + shift) ÷ rate, not before the data stand</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>(turns × cycles a turn + cycles of a call) ÷ {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>({} + {}) ÷ {}, {} bit</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>, %1 on average, %2</source>
            <translation type="unfinished" />
        </message>
        <message numerus="yes">
            <source>, %n edges</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>, a slip</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>, an unknown time</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>, and counts on while the plan rests for {} in {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>, and it may begin {} late</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>, and it may not begin late at all</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>, and the management bus asks at least 10 kHz</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>, as none is asked</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>, at least %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>, at most %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>, breaks </source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>, broken: {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>, changed since</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>, high bits</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>, if possible</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>, its bytes swapped</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>, kept</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>, less an edge off by {} of a bit</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>, less than half of the {} asked</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>, low bits</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>, middle bits</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>, never rests</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>, not acknowledged</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>, not later than the {} between feeds</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>, not saved</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>, over all of them a period of %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>, predicted %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>, predicted %1 in %2</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>, rests in %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>, selected by {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>, take %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>, the other way round</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>, trace and set-up included</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>, up to %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>, with this prescaler more than the port can compensate: left off</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>../firmware/clocks.h as header, take %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>0 Hz</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>0 clears it</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>1 clears it</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>1 kHz at 50 % duty</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>1 line outside its limits</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>1 ms</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>1 ÷ (one channel × channels{}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>1 ÷ counts</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>1 ÷ period</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>10 kHz at 50 % duty</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>10 ms</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>10 us</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>100 kHz at 50 % duty</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>100 ms</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>100 us</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>125 us</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>16 kHz at 50 % duty</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>2 kHz at 50 % duty</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>2 ms</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>2 × (node delay + cable × 5 ns/m), in quanta rounded up</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>20 kHz at 50 % duty</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>20 ms</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>25 kHz at 50 % duty</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>250 us</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>2^bits − counts</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>40 kHz at 50 % duty</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>5 kHz at 50 % duty</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>5 ms</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>5 or more: a crystal of less load or less resistance</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>50 kHz at 50 % duty</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>50 ms</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>50 us</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>500 ms</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>500 us</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>: %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>: %1 would move</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>: forgotten most often</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>: of E12 %1, of E24 %2</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>: these are the best of all that leave promises that are kept now on their inputs</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>; a faster clock adds none</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>; click one to see what its absence saves</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>; expected </source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>; finer, it would wrap too soon</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>; it is not written over unless you say so</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>; its dividers make no 1 Hz of {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>; measured %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>; nearest: </source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>; off</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>; safe is %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>; say how long the device holds them, 'held 2 ns'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>; the port compensates with data prescalers {} to {} and the offsets that it has alone</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>; this port has no delay compensation</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>; trim code %1: %2, %3</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>; twice the clock: {}, {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>&lt;peripherals&gt; with &lt;registers&gt;</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>A bit in quanta</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>A bit of the data phase</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>A bit of the nominal phase</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>A broken ring is broken. Select modem, and press try behind a way out that breaks nothing else.</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>A capture</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>A cycle of the clock line</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>A fault of this program: %1. What is not saved is written aside; save it elsewhere (Ctrl+Shift+S), or undo the last edit (Ctrl+Z).</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>A file more</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>A folder into which captures are written</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>A new part needs an id and no errors before it has a file.</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>A simulated board plays the plan: Alt+6, then Ctrl+Alt+B. What is measured lies over what is predicted.</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>A tour of seven steps</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>A tour of seven steps on the example</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Add</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Address and port</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>After it wakes</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Again and again</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>All commands</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>All that was done</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>All that was done: go back to any of it</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Another window</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Around the rate that is asked</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>As a new take</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>As found</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Ask</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Average current</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Average over how often %1 comes</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Average over temperature</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Battery</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Before it rests</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Begin a plan on a part</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Below, the ripple shows all that moved. Keep it: Ctrl+Enter.</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Bench</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Bench, live</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Bench: an instrument or a serial line, live</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Bench: copy as picture, SVG and table</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Bench: keep the capture beside the plan, or no longer</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Bench: note what explains it in the plan</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Bench: open a capture (VCD or CSV)</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Bench: play a board that makes a slip</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Bench: play a simulated board</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Bench: watch a folder for new captures, or no longer</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Bench: what was measured</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Bit rate</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Board</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>By chance</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>C0</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>C1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Can be set</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Cancel</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Cancelled before anything was found.</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Cancelled: there may be better ones.</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Captures (*.vcd *.csv *.tsv *.txt)</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Charging through the source</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Choose a capture above, drop one here, or play a simulated board</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Clocks</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Close</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Close the list</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Close the window</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Colours</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Command</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Commands</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Complete: all of {} takes were looked at or excluded by bound; none is better.</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Complete: no take keeps all of this.</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Connect</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Contents</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Control of the row</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Copied as a picture, as SVG and as a table</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Copy the clocks as SVG</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Copy the clocks as a picture</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Costs</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Ctrl+Shift+P all commands</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Cut {}; there may be better ones among {} takes.</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Desk of the promise</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Digits of the vitals</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Done at the latest</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Drop a capture here (.vcd, .csv), or play a simulated board</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Edit the part</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>End the tour</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Enter</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Enter notes: %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Error at the common rates</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Esc</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Faults of the file</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Faults of the part</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Fed by %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Field</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Fields</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Figures</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Find a clock</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Find in all pages</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>First: what everything hangs on</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Fit the axis</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Fold or unfold the branch</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Folder for your own parts, from the next start on</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Forget them</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Found takes</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Four periods</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>From %1 to take %2</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>From one count to the wrap</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>From the event until everything holds again</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Go to %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Go to the menus</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Go to the promises</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Go to the vitals</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Go to the workings</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Goes on</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Handover</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Handover: read registers from a file</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Handover: take what was found as a new take</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Handover: write all that is behind</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Handover: write the selected file over what was changed by hand</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Help</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Help on what has the focus</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Hide or show what is off</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>High contrast</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>How far each node may be off</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>How far it strays</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>How long to wait for an answer</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>If %1 fails</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>In each mode</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Insert adds a job, Enter edits the line of one; drag a run, its end, or with Shift its period</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Instrument</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Jobs</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Keep</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Keep mine</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Keys</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Keys of commands</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Language, from the next start on</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Larger letters</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Lay its record on the bench</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Left is what the firmware promises. A half disc is strained: select the promise feed, and read right why.</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Let messages fade</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Letters</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Life over how often %1 comes</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Life over temperature</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Life over the core's rate of %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Lifted alone it would help</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Light or dark</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Line of the job</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Line to be sent</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Lock or free the clock</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Log</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Looking…</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>M: its promise   R: read it</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>May wake it</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Message memory</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>NAME = value, or an address and values</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Name of the take</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Needles of the next take as ghosts</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Neither {} nor {} can</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>New job</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>New part</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>New plan</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>New plan: the parts shelf</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Next take</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>No clock is shown: nothing fits the filter</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>No errors: the clocks follow.</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>No faults, nothing suspicious: the clocks follow.</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>No file is made from the plan yet: type one below, such as ../firmware/clocks.h</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>None of {} can</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Nothing fits: these can't be kept together</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Nothing fits: this can't be kept</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Nothing here explains it</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Nothing is asked yet. Type a wish such as core = 160 MHz, or drop a clock or a promise on the left.</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Nothing is ever lost: Ctrl+Alt+Z shows all that was done. Go back to how it was opened.</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Nothing is fitted for %1; with one of these it can be kept</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Nothing is promised yet. Type what the firmware relies on into the line above, such as uart1 talks 115200.</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Nothing is to be written.</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Nothing moves.</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Nothing takes its place: what hangs on it stands still.</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Nothing was found before the search ended: {}.</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>One conversion</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>One sample of every channel</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Only what feeds the promise, or all</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Open</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Open a plan</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Open a plan to lay a capture over it</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Open a plan to see its board</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Open a plan to see its clocks</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Open a plan to see its jobs</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Open a plan to see its promises</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Open a plan to see its sleep modes</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Open a plan to see its takes</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Open a recent plan</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Open at the start what was open last</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Open before</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Open the example</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Option words</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Page</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Part</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Parts shelf</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Pin the selected way, or free it</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Pins</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Pins in use</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Plans (*.plan.toml)</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Print the report</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Promise line</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Promise something of your own: Ctrl+L, type uart2 talks 9600 within 2 %, and press Enter.</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Promises</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Promises that hold</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Quit</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>R + t = C + Σ ⌈(R + t) ÷ T⌉ C of the more urgent, due t after a busy time began</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>R = C + Σ ⌈R ÷ T⌉ C of the more urgent</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Reach</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Reading %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Redo</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Registers read from a board</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Remove</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Report for people: .html, .pdf or .md</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Rhythm</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Rhythm of the jobs</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Ripple</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Route all signals</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Routes to this period</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>SJW ÷ (20 NBT)</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>SJW_D ÷ (20 DBT)</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Save</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Save as</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Save elsewhere</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Save over it</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Saved %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Say what the firmware needs: a baud rate, a period, a wake-up, a battery's life. Wise Tick works out exactly what the clock settings of the part give, over temperature and tolerance, and says which promises are kept and why. Where one is broken it finds settings that keep them all, shows what else would move, and writes the code.</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Seek</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Seek takes that keep wishes</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Select a clock or a promise to see its arithmetic.</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Select a promise to see its desk</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Sent to the printer</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Serial line</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Settings</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Settings that keep everything can be looked for: Ctrl+K. Esc closes it again.</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Shift and a click set the second cursor</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Shift+Enter</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Show or hide the menu bar</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Show the menu bar (else F10 shows it for a moment)</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Signals with a choice of pins</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Skip</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Sleep</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Sleep modes</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Smaller letters</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Something could not be worked out: %1. The plan is as it was; undo the last edit (Ctrl+Z) if it began with that.</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Sources</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Supply and temperature</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Sweep over rates</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>TOML 1.0</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Take %1 is added; Ctrl+T compares them.</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Take it</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Take that file</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Take them</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Takes</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Takes beside one another</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Takes side by side</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Takes: compare, add, copy, rename, delete</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Terminal</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Text of the part</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>That was the tour. F1 tells of whatever has the focus.</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>The best so far.</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>The clocks show the last state without errors.</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>The hardware puts %1 on %2 by itself.</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>The jobs could not be played: %1. The plan is as it was; undo the last edit (Ctrl+Z) or change the jobs.</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>The last bit that is sampled</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>The nearest of each wish, if all others stay</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>The order of writing, from reset</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>The page %1 is not installed here.</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>The part has changes that are not saved.</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>The plan does not stand on the part as it was saved; it stays on the part as it was opened.</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>The rates that its dividers give</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>The takes do not differ</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>The way ends here: %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>The way there</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>There are changes of %1 that were never saved.</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>There are takes, but none keeps the promises that are judged on whole takes: averages, lives and what hangs on other promises.</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>There is a part '%1' of your own already: give this one another id.</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>There is a plan of %1 that was never saved.</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>There is no part on the shelf</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>There may be a smaller set.</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>This part tells of no modes</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>To bring it up</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Tour, %1 of %2. %3</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Track to be recorded</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Two periods</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Type a part of a command, or words of the documents</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Type a part of a path</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Type a part of what was done</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Type a part of your own</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Type a promise</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Type the keys as text, such as Ctrl+Alt+J; Delete takes back what was changed.</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Undo</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Unsaved changes</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Unsaved changes are written aside after</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Unsaved changes can't be written aside: %1. Save the plan where there is room (Ctrl+Shift+S).</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Value of the row</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Vitals</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Waking by its address</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Waking from %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Waking on a start bit</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Ways out</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Ways to keep it</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Ways to wake sooner</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Welcome</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>What %1 draws over temperature</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>What %1 draws over the supply</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>What a megahertz costs %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>What can be done with the selected take</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>What collides was not found: the search had to end.</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>What could wake it then</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>What draws in %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>What explains it</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>What firmware promises, held against what its clocks give</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>What if its source fails</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>What is asked</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>What is listened for</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>What is needed</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>What it becomes when the core changes</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>What it draws and how it wakes</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>What the board said</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>What would move the average most</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>What would move the battery most</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>When it may be fed</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Where the charge goes</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Why nothing fits</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Window and files</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Wise Tick</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Wish for the selected clock as it is, in Seek</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Wish line</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Workings</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Worst error against current</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Worth going deeper?</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Write a report for people: HTML, PDF or Markdown</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>Written: %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>[[template]] tables</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>[board] supply, to judge what the tier needs</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>[board] temperature</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a '{{' that is not closed</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a &lt;{}&gt; of that name</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a CMSIS-SVD file</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a [[block]] named as what stands before the dot</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a [[sequence]] with that id</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a [[template]] with that id</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a better clock</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a better way is free: </source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a bit rate</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a board that was played is not kept: it can be played again</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a calendar that it can match</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a calendar that makes them</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a capacitance</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a capacity above 0</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a capture without a file</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a charge</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a choice of one source</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a click asks which; or type %1 of 8 MHz, 12 MHz</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a click holds it again</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a clock fed in for '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a clock without a slope on it</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a code for '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a code for each of {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a code for each value</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a code for {} = {}, which it can't be</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a condition such as 'core &gt;= 100 MHz' or 'sleep &lt;= 2 uA'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a control such as 'gate', or {{ say = … }}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a control, a limit, or a reader</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a count</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a count lasts {}{}, asked at most {}{}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a crystal or a clock input</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a crystal with levels of drive</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a current</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a curve that does not rise with the charge that is left</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a date</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a description without registers</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a divider of {}, which the line can't be set to</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a divisor above 0</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a draw of 0 or more</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a draw of its own that is no single figure</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a drift</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a drive without a choice</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a factor above 0</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a factor above 0: a whole number, or a text such as "2.5", "1/2" or "98 + 1234/4096"</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a factor of at most 2^48, in steps of at least 2^-48</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a factor such as '5', '2.5', '11/16' or '98 + 1234/4096'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a fall of {} is longer than the {} of {} mode</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a fast core</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a field such as "CLK.REF[4:0]" or "CLK.PLLIN[16]", bits 63 to 0, or a list of pieces, the high bits first</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a field that it names, or its bits, such as "CLK.REF[4:0]"</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a field that shows the input of a line without a mux</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a file that was not made here</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a flag that is still set would end the rest at once</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a form such as "n-1"</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a jitter of more than the period</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a jitter without a period</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a job needs a name</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a job takes some time</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a kind without a name or a schema</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a length</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a level that is not planned</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a limit without 'min' and 'max'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a line as the tool wrote it</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a line that has this control</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a line to be sent, Enter sends it</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a line with a divider</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a line with a multiplier</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a line with a mux</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a line's factor such as 'bus_a.divide'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a list</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a list of controls and of {{ say = … }} tables</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a list of rates to choose from</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a list of steps</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a list of tables, one for each thing</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a list of texts</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a list of writes such as "POWER.REST[2:0] = 2"</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a list of {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a list such as ["POWER.KEY = 0x6B39"]</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a load of {} is more than the {} of {} mode</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a longer time, or less that stands before it</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a longest time below the typical one</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a loop between lines: {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a memory of {} does not go into its size field: next to it go {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a mode that is woken by something</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a name</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a name of its own</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a number</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a number of bits</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a number of bytes</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a number of channels</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a number of cycles</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a number of its width</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a number such as 0x3</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a number such as 64 or 0x40</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a pair of {}s</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a pair such as ["-20 %", "25 %"]</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a pair such as ["20 %", "2.9 V"]</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a pair such as ["25 C", "140 uA"]</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a pair such as ["25 C", "95 %"]</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a pair such as ["64 MHz", 1], or with a speed, ["64 MHz", 1, "92 %"]</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a part on the shelf ({}) or a path beside the plan</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a path from the plan's folder</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a path, such as '../firmware/clocks.h as header, take A'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a period is above 0</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a peripheral without &lt;baseAddress&gt;</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a physical figure is out of range</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a plan needs a name</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a point before the fraction, not a comma</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a pull-up of {} is less than the {} that {} mode can pull down at {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a range out of order</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a range that its steps of {} do not end on</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a rate</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a rate above 0</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a rate is above 0</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a rate of samples</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a rate without 'least' and 'below'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a rate, as '160 MHz'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a ratio</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a ratio per year</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a readable file</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a record whose length or sum is wrong</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a register that it names, or a [[register]] of that name</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a reset value for '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a resistance</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a ripple of 100 % or more</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a rise of {} is longer than the {} of {} mode: stronger pull-ups, or a shorter bus</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a rounded figure</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a rule that compares nothing</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a rule with two relations</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a scan</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a scan takes up to {}, and {} comes again after {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a sender samples its own data bits {} after they begin{}, and hears them only after the node delay of {}{}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a share in a time: '%/year'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a short wake-up</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a shorter handler, or a longer interval</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a signal without a pin</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a single edge</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a size from 1e-30 to 1e30, in the unit itself</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a small letter, then small letters, digits, '_' or '-'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a source is set on the board</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a source or line</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a source that takes one</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a source with 'rates'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a speed that is not above the one before</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a start-up time in the part file</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a step for every rate that is allowed</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a step that is neither text nor table</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a supply is above 0 V</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a supply of {} … {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a supply that holds what the battery gives, or a regulator</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a sweep needs rates upwards, and a text that is listened for</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a table</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a table of names and what they stand for</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a table such as {{ tier = "fast", per_mhz = "3 uA" }}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a table with an id</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a take '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a take '{}' that rests in {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a take needs a name</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a take without a name</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a temperature</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a temperature in a time, such as "0.5 C/min"</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a template without an id</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a terminal, such as /dev/ttyUSB0</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a text in quotes</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a text, or {{ say, when }}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a thing with like = "{}"</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a tier beside rates by tier</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a time</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a timer of a job that does not come by a period</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a tolerance above 0</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a tolerance in the plan's board or in the part</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a tolerance of 100 % or more</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a tolerance, as '1.5 %' or '30 ppm'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a track, such as tick</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a transconductance</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a trim of what is no rc</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a value above 0</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a value of 0 or more</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a value of the control, such as 6</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a value that does not fit the {} bits of {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a voltage</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a voltage above 0</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a whole number</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a whole number from 1 to 1000</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a whole number from 1 to 32</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a whole number from {} to {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a whole number, such as 64 or "0x4000_1000"</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a whole number: its codes have no names there</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a wider field or a smaller range</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a wish for it, with a rate</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a wish such as 'core = 160 MHz', 'core at least 100 MHz' or 'core as high as possible'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a word behind it</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a worst case is {}, {}, asked {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>a write such as "POWER.REST[2:0] = 2" or "KEY.ALL = 0x3B", or {{ wait = "interrupt" }}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>across the crystal</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>add</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>address</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>adds up to</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>after</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>after an error flag</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>after its flag is cleared, else it fires at once</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>after waking</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>after waking from {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>ageing</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>alarm × repeats ÷ pace of the calendar</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>all</source>
            <translation type="unfinished" />
        </message>
        <message numerus="yes">
            <source>all %n signals stand on pins of their own</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>all else as it is</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>all holds again</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>all holds again after {} at the latest</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>all promises hold again</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>all signals routed</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>all that it can be apart, as what it moves with the temperature is not told</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>all together</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>all together, of what the port has</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>allows</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>allows tier </source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>alone</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>always drawn</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>an alarm without a calendar</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>an array of {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>an ask without a name or a verb</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>an efficiency above 0 and up to 100 %</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>an empty list</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>an empty range</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>an empty range, {} to {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>an entry of a meeting is missing</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>an entry of the ask is missing</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>an entry of the kind is missing</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>an event</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>an exact one</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>an id '0x123', a range '0x100..0x17f', a pair '0x100,0x200' or a mask '0x100&amp;0x7f0'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>an id of its own</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>an id of its own (it stands in line {} already)</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>an id such as '0x123', up to 0x1fffffff</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>an interrupt</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>an odd divider's halves differ by one cycle</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>an offset of '{}', which stands in no block</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>an option word with no choice</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>and %1 more</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>and more</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>another id</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>another reset setting, or another limit</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>another value, or another supply or tier</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>answer</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>any interrupt</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>any interrupt ends it</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>any of %1 rates</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>any rate</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>as fast as %1, for %2</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>as fast as {} without waiting</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>as fitted</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>as high as possible</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>as it is</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>as it was opened</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>as long as every condition still holds</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>as low as possible</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>as planned</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>as the desktop</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>as the take chooses</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>as unprogrammed, %1: </source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>asked at most </source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>asked in SCPI over TCP; nothing is connected</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>asked × f</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>assumed: all that the part allows; Enter twice says it is so, or type how it is</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>at any rate: its clock goes on</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>at latest</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>at least</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>at least </source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>at least one [[take]] with a name</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>at least one factor</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>at least one of them</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>at least one pair such as ["25 C", "140 uA"]</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>at least {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>at least {}: a smaller peak, a larger cell or a capacitor beside it</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>at most</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>at most </source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>at most 100 %</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>at most 100 %, wake-ups, start-ups and interrupts included</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>at most 256 bits</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>at most 2^{} = {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>at most 70 %, so that what comes late still finds room</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>at most 8</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>at most {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>at most {}{}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>at reset the line '{}' runs at {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>at rest in {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>at the corners</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>at the fastest clock</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>at the latest</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>at the peak of {} the fresh battery falls to {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>at the slowest clock</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>at the slowest core</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>at the worst single temperature</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>at worst</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>at {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>average</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>average + the regulator's own</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>average and life with rests in</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>average current</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>average × supply ÷ (battery × efficiency) + the regulator's own</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>average, life, and the charge of waking from</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>awake</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>back to %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>base of {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>battery</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>before</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>before it is due again after </source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>before its end</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>before that its fields can't be written</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>begin a plan</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>behind the other jobs</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>being played or read …</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>being played …</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>being worked out …</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>belongs to no promise</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>below {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>best first; Enter pins one</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>between </source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>between broken lines: what collides</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>between edges</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>between edges to dominant ÷ bits</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>between {} and {} nothing resets the part, and tier {} is not allowed</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>beyond this timer's reach; {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>bit</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>bit %1 of %2; ours may be off from %3 to %4, what is left is the other end's</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>bit rate</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>bites</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>bites after</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>bites after {}{}{}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>bites only after {}{}, asked at latest {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>bits + log2(oversampling) ÷ 2, if the noise is white</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>bits inside frames ÷ their time</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>bits that it has</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>bits within its register of {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>board %1%2</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>both 'each' and '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>both 'id' and 'ids'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>both 'in take' and 'while'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>both 'lasts' and 'cycles'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>both 'rate' and 'rates'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>both 'step' and 'fraction_bits'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>both 'steps' and 'from'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>both are high at once, {} since {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>both cursors stand at the same edge</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>both low</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>both low for {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>breaks %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>bring_up that is no list</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>broken</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>broken: {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>by its name alone</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>can be made by {}.</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>can fd</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>can't be made at all.</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>can't be made: {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>can't be read</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>can't be read: {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>capacitors</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>capacity</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>capacity × usable ÷ (average + fading{}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>catch up in the data phase</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>catch up within ten bits</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>chained counts</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>chained with {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>changed by hand, {} from the plan</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>changes</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>changes that were not saved</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>charge of each period by the core's rate; the least at %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>charging</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>choose {}, then wait for {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>chosen of %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>clear its flag</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>clear the flag of {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>clock</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>clock input</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>clock it from {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>clock of bits</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>clock output</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>clock periods wanted</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>code {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>codes in order of {} settings</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>codes that differ</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>coefficient × (T − turnover)², at the farthest temperature</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>command</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>compare</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>compare ÷ counts</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>connected: %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>connecting …</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>constants and checks, C and C++</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>constants, C++17</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>constants, Rust</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>conversion</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>converter's clock</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>copy</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>copy all</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>core</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>core = "ID"</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>core &gt;= 100 MHz, 2 uart, can fd, sleep &lt;= 2 uA, 3 pll</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>core at %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>core rate</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>could</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>count × (header + payload ÷ 4, rounded up)</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>count × words of each</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>counts of a free-running timer</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>counts of seconds without a calendar</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>counts on</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>counts up to {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>counts × a count</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>counts ÷ f, not shorter at the fastest clock</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>crystal or clock input</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>current in run</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>current × share of the time</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>current, A</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>cycles ÷ converter's clock</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>cycles ÷ core{}, in each period</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>cycles, with entry and exit as far as the part tells them ÷ (period × core{})</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>dark</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>dashed: at most</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>dashed: at the worst</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>dashed: the sampling there is</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>dashed: with the largest draws</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>data</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>data </source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>data hold</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>data prescaler × quanta to the data sample point, in clock periods</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>data set-up</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>data stand after</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>dead time</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>dead time and delay to {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>debugger</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>delay compensation</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>delete</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>denominator of 0</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>deviations that do not enclose 0</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>device tree</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>did you mean '{}'?</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>did you mean {}?</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>division by 0</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>divisor taken</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>does not count; a click makes it a must</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>does not fit: {} at most on {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>does not rest</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>done after %1 of %2</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>done after %1, comes every %2</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>done after at most</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>done as late as {}, and must be done {}{}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>down to</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>drag it, or Ctrl+Left and Ctrl+Right; a click: counts or not</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>draw of </source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>draws</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>draws = {{ base, per_mhz }}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>draws = {{ per_mhz }}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>draws = {{ typ, max }}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>drive of '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>dummy</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>duty</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>duty × counts, to the nearest</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>each alone; full marks leave nothing over</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>each file once</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>each input once</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>each lane a job; what it draws is played below; + and − zoom</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>each node may be off by, {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>each on time; the bands are the clock's own bounds</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>each pin once</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>each rate above the one before</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>each register once</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>each temperature above the one before</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>early</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>eight hexadecimal digits, or none</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>else the next rest ends at once</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>elsewhere</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>empty at</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>end of the last stage</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>end of the last start-up</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>ends at</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>error</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>error × 86400 s</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>every {} is beyond the wake-up counter of {}: {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>exact</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>exact divisor</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>expected </source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>exponent too large</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>f × speed of its waits</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>f ÷ (first × second)</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>f ÷ (master clocks a frame × divide)</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>f ÷ (prescaler × quanta)</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>f ÷ ({}prescaler × counts)</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>f ÷ divide</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>f ÷ divide, allowed from {} to {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>f ÷ the lower of both</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>fades</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>falling to falling</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>far off</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>fast plus</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>faster than this timer's clock allows; </source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>fastest</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>fed</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>fed by {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>fed every</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>fed in</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>feed {}, it goes on: it bites after {} at the fastest</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>few changes</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>fewest that reach, or one of the next {} that comes nearer</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>fields</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>fields as JSON</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>fields that do not share bits (the other stands in line {})</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>find a clock</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>finest at this rate</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>finish what {}{}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>fires every</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>first instruction</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>first instruction %1, all holds again %2 (at the latest %3)</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>fit %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>fitted</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>fitted, moved by its load</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>floor %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>for memory </source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>for which the crystal was cut</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>fractional pll</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>free</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>free it</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>free, it would be </source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>from data back to nominal</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>from one source both move together; must be shorter than the bite</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>from reset</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>from switched on to ready, at most</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>from take %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>from take {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>from the battery</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>from the error flag into data</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>from the latest opening to the earliest bite</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>from the part</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>from {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>from {} to {} typical</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>frozen: it does not count there</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>full: what it takes; light: what stands before it; the end: when it is due again, or its limit</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>functions in bring-up order</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>goes on</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>gone</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>got</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>got ÷ asked − 1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>hears its own bits</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>high</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>high contrast</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>high phase</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>high {} ±{}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>high, %</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>high, low</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>hold their levels</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>holds 1 for fed in</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>holds 1 for on</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>holds a code</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>holds n</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>holds {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>holds.{}, such as "n", "n-1" or a table of codes</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>hollow: take %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>hollow: the found take</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>how long it is between two feeds has no bound</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>how long it takes is unknown, and the part names no bit that shows it</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>id = "…"</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>idle line</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>ids such as "uart{{1..3}}", "{{f,g}}_p" or a list of them, 1024 at the most</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>if one figure were a tenth worse or better</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>if possible</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>if the core changes</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>in %, at this clock; the band is what is allowed</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>in another window</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>in its {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>in run</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>in the documents</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>in {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>initial + temperature + ageing × years</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>inner resistance</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>interrupts of the {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>into {}, until something wakes it</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>is %1, %2, </source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>is off by</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>it belongs by its name</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>it can't be read</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>it counts in one direction only, so that no pulse stands in the middle of its period</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>it counts on: the longest rest must be shorter than the earliest bite</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>it does not rest, but runs on</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>it does not say at which supply it runs</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>it does not say what that draws</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>it does not say which pins it has</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>it gives no limit of {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>it has no clock there; it goes on after the wake-up</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>it has no line '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>it has no mode '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>it has no {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>it has {}: {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>it is no file</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>it is one of %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>it is put on no clock</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>it is understood at the highest rate yet: go higher</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>it is understood at the lowest rate yet: begin lower</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>it loses its clock in </source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>it never changes</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>it never switches {}: of {}{}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>it on there, or the job in another take</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>it once</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>it says too much</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>it stands on one of %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>it stands still in {} and would come late</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>it stopped before each rest, a deeper mode, or a job that comes as often</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>it takes no crystal</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>it takes no time</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>it was stopped</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>it was understood at none of them</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>it with 'every'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>its bits are of different lengths</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>its bytes</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>its clock goes on</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>its clock is as {} as {}, and the converter takes {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>its clock must run within %1 of the start bit, to find its middle and that of the last bit</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>its clock runs after {} at the longest</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>its contents are lost in {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>its end value is taken there</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>its fields are also those of {}, which can't be kept beside it</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>its handler takes {} of the core at its slowest</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>its own interrupt enable</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>its own, beyond the source's bounds</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>its part of the average</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>its record lies on the bench</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>its stamp is behind the plan</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>its supply</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>its tolerance</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>its trigger makes no such rate: promise '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>its trigger {} is {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>job </source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>job %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>job %1 of %2: %3</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>job '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>job '{}' comes too rarely to be played and is added apart</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>job '{}' uses {}, and {} is switched off in take {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>job {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>jobs are being played</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>jobs that follow each other in a ring</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>jobs that follow each other in a ring; one comes by itself</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>keep %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>keeps.sources or keeps.lines with one of them</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>kept</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>kept if possible; a click sets it aside</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>keys</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>keys of the template that are left out</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>kind = "rc"</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>largest draw</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>largest draw of </source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>largest draws, longest wake-ups, slowest core, at the worst single temperature</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>lasts %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>late</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>least </source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>least %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>least and most prescaler × counts{} ÷ f</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>least divider</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>least {}, most {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>leave a way to stay awake while it is looked for</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>leave the ≈ out if the figure is meant as it stands</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>leaves %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>leaves {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>left as it stands there, right as the plan would write it</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>left out: {}, {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>let in {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>let its clock in</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>let the tick go on</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>life</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>lift</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>lifted for this search</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>light</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>limit</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>limits of {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>line %1: </source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>line or control</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>line {}: </source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>line, source or peripheral</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>lines that end at a source</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>little current</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>ln(0.7 ÷ 0.3) × R × C, from 30 % to 70 % of the supply</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>load</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>load of the core</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>lock on {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>locked in the take</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>long enough for the rise and the grade's set-up, at the fastest clock</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>longer than 2^62 periods of its clock, which is as far as is counted here; {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>longest + (slowest − 1) × interval of what times it</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>longest cable</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>longest rest {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>longest stages of waking + done after, awake</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>longest stages{}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>longest {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>looking: %1 routes done, %2 wait, %3 settings</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>low</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>low + high + rise + fall</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>low phase</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>low {}, high {} at least</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>lowest and highest rate</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>lowest ÷ {}, not understood just above ÷ {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>make active</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>margin %1, wished 5 or more</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>master clock</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>master clock ÷ (master clocks a frame ÷ bits of a frame)</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>max not below typ</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>may change in this search; a click holds it</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>measured on this board</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>memory</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>memory port</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>min(PS1, PS2) ÷ (2 ((6 DBT − PS2_D) BRP_D/BRP_N + 7 NBT))</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>min(PS1, PS2) ÷ (2 (13 NBT − PS2))</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>min, nominal, max rising</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>more than a thousand years</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>more than one of 'every', 'about' and 'after'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>most </source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>most %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>must be kept; a click makes it if possible</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>must be over before {} starts the next one</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>must be shorter than the earliest bite</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>must keep</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>narrow field</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>nearest product, then most counts</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>nearest product, then nearest duty, then most counts</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>neither 'lasts' nor 'cycles'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>never changes</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>never is it safe at both ends of the clock</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>never: it opens as late as {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>new</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no 'every', 'about' or 'after'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no 'shows'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no '{}' in braces</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no '{}'{}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no &lt;device&gt;</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no answer to %1 within %2 ms</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no bit of which all stretches between its edges are whole numbers</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no bit of {} can be made 0 by writing it</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no bit of {} can be made of {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no bound</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no bound: {} comes by chance</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no capture '{}' is kept</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no channels</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no choice of a drive</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no clock</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no clock of its own wakes it</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no clock: {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no code</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no code '{}' of {} in {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no code can set it for</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no code for '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no command has these letters</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no control '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no core rate</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no divider of {} is within the converter's {} to {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no draw</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no earlier stage '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no edge that another one follows</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no end of steps</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no field '{}' in {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no file can be made beside %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no folder is watched any more</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no form '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no format '{}' for '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no frame can be read</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no frame of this port holds 2 × {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no input '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no instrument is connected</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no jobs yet: Insert adds one, such as 'sense: every 10 s for 20 ms'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no kind of peripheral '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no kind of source '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no letter number {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no level '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no line '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no line is open</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no line or peripheral '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no memory '{}' in this mode</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no message has {}: up to 8 byte, or 12, 16, 20, 24, 32, 48 or 64</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no mode '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no mode saves anything</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no more than there are channels</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no other track to read it with</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no page has these words</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no part '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no path has these letters</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no peripheral '{}' on this part</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no pin '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no plan is open</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no plan was open before</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no preference '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no promise '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no rate</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no rate: {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no register '{}' in this part</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no register '{}' in {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no registers were read yet</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no sequence '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no setting of %1 makes its field hold %2</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no signal in use has a choice of pins</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no source '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no source or line '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no source, line or peripheral '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no start-up</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no style '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no such source or line on this part</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no take</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no take '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no template '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no tier '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no tier is allowed</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no tolerance</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no track '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no track is selected</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no value '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no whole frame</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no whole high pulse</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no word of what the field of '{}' holds</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no word of which line clocks the core</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>no {} '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>nobody answers there</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>nominal</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>none</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>none asked</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>none of them follows the other</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>none yet</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>none: it always counts 2^bits</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>not a number</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>not asked</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>not at all</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>not in use; of %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>not on its clock of the take</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>not seen: %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>not told</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>not told: it must be ready before</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>not told: type it, such as %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>not understood at %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>not understood just below ÷ {}, highest ÷ {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>not written yet</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>nothing</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>nothing after '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>nothing asked</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>nothing can end a rest in {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>nothing has these letters</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>nothing is assumed of the {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>nothing is called '{}' that can be lifted</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>nothing is fitted</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>nothing is fitted for '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>nothing is fitted for {}: the plan has no [board.fitted.{}]</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>nothing lies on the bench</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>nothing more</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>nothing more, or 'if possible'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>nothing moved since the last Keep</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>nothing of it is called '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>nothing that may change</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>nothing was done yet</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>nothing: Ctrl+B locks a clock</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>now </source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>of equals sooner, in this order</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>of its tolerance</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>of one of the %1 repeats</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>of the average</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>of the capture</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>of the data phase </source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>of the {} best takes these keep the promises that are judged on whole takes; there may be more</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>of those that the port allows</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>off</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>often forgotten</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>on %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>on time</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>one after the other</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>one channel</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>one figure in 'base', or 'typ' and 'max'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>one figure, or the two that are fitted</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>one for each of the {} ids</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>one for each tier, and slopes on other clocks beside it</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>one mode in which the core runs</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>one of 'at_most', 'at_least' and 'equals'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>one of 'rates'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>one of its settings</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>one of pins.all</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>one of them</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>one of them: a job runs in a take of its own</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>one of them: a period, a mean interval, or the job that it follows</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>one of them: how long the job takes, in time or in core cycles</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>one of {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>one of {} that it can be set to</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>one of {}, or a sum of them</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>one or more tables</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>one run of each, as they were due before, and changes of take</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>one that a field of it stands in</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>one that comes by itself</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>one that fits {} bits</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>one user for each pin</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>one whole number for each of the rates</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>one whole number for each place</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>one whole number for each value</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>only %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>only pll, usb may change</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>only these may change, and what feeds them</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>only what differs</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>only what feeds %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>only {} ends it</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>open</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>open it with a newer Wise Tick</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>opens {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>option of {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>option word</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>or accept = {{ "{}" = "why" }}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>other bits</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>outside the part, also at rest</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>outside, always</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>outside, while it runs</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>over its </source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>over temperature</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>over the falling edge, at the fastest clock</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>over the first %1 edges shown</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>over what is shown</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>over {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>over {} instead</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>page %1 of %2</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>pairs such as ["20 %", "2.9 V"]</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>pairs such as ["64 MHz", 1]</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>parity</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>pending</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>period</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>period, s</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>periods that a feed takes ÷ f</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>periods that leave more room; the figures are those of the last that was played</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>periods that share a multiple; the figures are those of the first 100000, with a bound for the rest</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>phase 1:</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>phase 2:</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>pin for '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>pin it</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>pinned</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>pinned, not the best</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>pins</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>planned %1, found %2</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>port's most</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>predicted %1 to %2</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>prescaler × counts taken</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>prescaler × counts ÷ f</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>prescaler × counts ÷ f, long enough at the fastest clock</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>prescaler × counts{}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>prescaler ÷ f</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>promises</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>prototypes of the functions</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>pulse, s</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>rate</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>rate and source together, at the corners</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>rate of frames</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>rate × lanes ÷ 8, while data flows</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>rate × share of it that the waits leave</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>rate, Hz</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>rates that do not rise</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>reading {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>reading {} of a memory of {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>reading {} takes {}{}, asked at most {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>rename</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>repeated {} times</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>repeats × one of them</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>reset + (rate it shall have ÷ measured − 1) ÷ step, a whole one within its range</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>resistance</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>resolution</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>rest again when the handler returns</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>rest in {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>rest in {} draws</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>rests here</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>rests in</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>rests in %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>rests in {} as planned, at {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>rests in {} instead of {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>ripple</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>rise</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>rising to rising</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>rule {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>runs at</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>runs at %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>runs at {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>runs at {}{}, asked at {}{}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>safe to feed</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>sampled</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>sampled after the edge</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>samples for {}{}, and needs {} through {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>samples {} after the edge{}, and the data stand only after {}{}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>sampling</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>sampling must last %1 with this source</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>sampling needed</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>save the plan first: the files stand in folders from its own</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>save the plan first: what is kept stands beside its file</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>save what is needed of {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>say it in days, such as '730 days'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>say {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>scan</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>second one</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>seek</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>seek a take that keeps it</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>set the wake-up counter of {} to {} and let it interrupt</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>set {} of {} to {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>set {} up</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>settings of the same rates</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>share of the charge</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>share of the time</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>share of the time × current</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>shares from 0 % to 100 %, upwards</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>short table</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>shorter than this timer can count; {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>show all</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>shut off </source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>signal with a choice of pins</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>simpler periods and figures</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>slow oscillators</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>slowest</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>smaller figures in part and plan</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>so no rest may be as long</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>something else</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>something unplanned</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>sooner by</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>source or line</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>source with a trim</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>source, ÷ 4 or 48M</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>speed</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>stage of waking from {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>stages of waking</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>stand on after that</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>stands still</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>start</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>start + one channel × conversions</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>start {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>start {} and wait until it is locked</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>start-up after it</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>start-up margin unknown</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>start-up of {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>start-ups</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>startup = {{ typ, max }}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>state a promise about it</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>stays; a click lifts it for this search</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>step</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>step of the duty</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>steps of {}, asked under {}; at this rate the clock has {} ticks, and {} are needed</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>steps that bring the nominal nearest to 0</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>stop</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>stop </source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>stop {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>stop {}: its interrupt would wake the core{}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>strained</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>strains</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>strains %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>stray</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>strays by as much as {}, asked at most {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>strays by {}, asked at most {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>sum, typical and largest</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>sum, typical at {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>supply</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>supply or temperature, where it is told above</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>supply,</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>switch the wake-up counter of {} off if it was for once</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>sync</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>table of fields</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>table {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>take %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>take %1 %2</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>take %1 active</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>take %1 added</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>take %1 as found</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>take %1 copied</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>take %1 deleted</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>take %1 moved</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>take %1 of %2</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>take %1 renamed</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>take %1: %2</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>take it out</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>take {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>takes that keep all of this at once; a click on a tag: must, if possible, set aside</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>takes {} by itself, and must be done {}{}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>takes {} words, the memory has {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>talks on a bus</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>talks on can</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>talks {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>temperature</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>temperature,</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>temperatures that do not rise</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>templates that end</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the RC '{}' has no tolerance, so nothing can be said of its corners</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the alarm matches every {}; {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the average current needs more than 256 bits</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the battery fades</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the battery gives {} until it is empty, the board's supply is {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the battery holds</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the battery's own end</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the bit that starts it</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the bits that both tell</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the board talks %1 to %2 bit/s, by %3 rates</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the board's temperatures go beyond the battery's table</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the board's temperatures go beyond the table for {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the budget adds up to %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the bus has no grade above 3.4 MHz</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the bus is held until its clock runs</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the channels 1 to {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the charge of waking from</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the clock runs after %1 at the longest</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the clocks can't be brought back: {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the code {} for {} = {} and {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the code {} of '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the core can't be put on another source meanwhile</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the core comes back on {}{}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the core is taken {} of the time at its slowest</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the core would have no clock</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the corners of</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the current</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the current is not known</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the current of</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the current while it runs for</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the currents of the modes need more than 256 bits</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the data phase is slower than the nominal one</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the dead time is {} at the fastest clock, asked {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the debugger</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the debugger loses the part in {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the debugger's</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the desk of the selected promise: what its setting does, and every other way</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the duty nearest to {} is {}, with {} counts</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the enable of its group</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the factor {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the fastest up to %1 is taken: %2 ÷ %3</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the field '{}' at bits {} to {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the field of its divider</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the field of its drive</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the field of its factor</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the field of its mux</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the field of its option {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the field of its rate</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the field of the tier</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the field of the {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the field {} holds up to {}, but {} = {} needs {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the field {} of {} overlaps {} of {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the fields of{}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the figures of {} need more than 256 bits</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the file '{}' again</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the file as it is now</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the first step that is not exceeded, by more than the slack at the fastest</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the first {} that wakes it over {}{}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the format '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the format '{}' is newer than this program knows</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the handler of {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the handover file '{}' is made from take '{}'; take it out first</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the id '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the id '{}' again</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the id '{}', a word of promise lines</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the id in each table of the list</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the id of a template</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the interrupt of {} stays on in {}: it wakes the core every {}, and no job says so</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the job '{}' again</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the job '{}' feeds {}; change that promise first</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the job '{}' follows another one and has no period of its own</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the job '{}' follows another one and has no phase of its own</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the job '{}' follows this one; change that one first</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the job '{}' is said in cycles</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the job '{}' runs in take '{}'; give it another one first</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the jobs don't settle into a pattern that comes again in all that was played</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the jobs repeat only after more than 100000 runs</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the last step that is reached</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the limits of %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the limits of {} (</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the line '{}' changes nothing and feeds nothing</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the load is the one it was cut for</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the load shifts it by %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the lock on {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the longest dead time is {}, asked {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the longest is {}, asked at least {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the longest rest is not known: no jobs are played</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the longest rest is {}: wake by a timer before, or feed it more often</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the longest rest of the plan is %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the longest start-up of {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the longest time of '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the longest wait and wake-up of</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the longest wake-up from</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the lower end first</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the lower id first</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the lower rate first</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the lowest supply, {}, is below {}: the part is held in reset</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the mode '{}' does not say what it draws</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the multiplier '{}' does not say what it draws</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the multiplier '{}' has no longest lock time</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the nearest allowed: {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the nearest is {}, {}, asked {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the nearest rate {}is {}, {}{}, asked {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the nearest rate {}is {}; </source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the needle stands at its rate, the rail is where it may stand</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the next data are there {} before these are sampled and held{}{}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the nodes</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the number in {} is too large</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the number {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the one that the promise asks stands first</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the part file, </source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the part gives no rate for {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the part's least supply</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the periods that each prescaler can make, and below what other clocks could</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the periods that each prescaler can make; the wish must cut a bar</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the peripheral '{}' does not say what it draws</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the pin '{}' again</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the pinned way is not one that this converter has here</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the pinned way is not one that this loop has</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the pinned way is not one that this port has</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the pinned way is not one that this rtc has</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the pinned way is not one that this timer has</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the pinned way is not one that this watchdog has</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the pins where it can stand</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the plan file, </source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the plan has no [board.battery]</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the plan rests in {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the port's most is </source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the port's own receiver stands only {} of {}, asked within {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the promise '{}' again</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the rate of {} needs more than 256 bits</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the register '{}' again</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the rule “{}”</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the running core draws</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the same jobs on each</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the same turns at half and at twice the rate</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the slowest first</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the slowest is {}, {}{}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the source '{}' does not say what it draws</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the source '{}' has no longest start-up time</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the source's, in proportion</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the stage '{}' of '{}' lacks its longest time or its draw</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the start-up margin of</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the take '{}' again</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the take as it is</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the take itself can't be kept</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the temperatures that it is made for</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the template '{}' again</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the template '{}', which is like itself</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the template '{}', which nothing is like</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the text '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the time since the last feed, around the longest; up to %1 at the corners</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the tolerance of {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the tolerances add up to 100 % or more</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the transconductance of {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the upper end not below the lower</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the value {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the waits of '</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the way</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the window opens after the feed: it must open before {} at the slowest clock</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the window opens after {} at the {} clock, asked after {}{}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>the {} of '</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>there and back</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>there and back through {} takes {} quanta{}, and no bit of {} has room for them before its sample point</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>there is a job '{}' already</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>there is a kind of that name</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>there is a promise '{}' already</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>there is a take '{}' already</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>there is an ask of that name</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>there is no job '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>there is no job '{}' that could feed it</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>there is no job '{}' while which it could be asked</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>there is no promise '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>there is no promise {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>there is no such file</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>there is no take '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>there is no take '{}' in which it could be asked</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>there is no track in it</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>there is nothing to note of that</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>they are looked for</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>they lose their clock in </source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>this can't be read as a file</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>this converter can't add up conversions</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>this converter can't add up {} conversions: next to it is {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>this converter has no {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>this converter has {} channels, asked {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>this is needed; type %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>this is no XML: {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>this port can't talk on one wire</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>this port drives the bus to {} only</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>this port has no addresses of {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>this port has no data phase: it is not CAN FD</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>this port has no data phase: its messages have at most 8 byte</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>this port has no dummy cycles</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>this port has no mode</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>this port has no {} lanes</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>this port maps no memory</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>this promise</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>this rtc has no alarm</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>this rtc has no calendar</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>this timer can't be chained with another</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>this timer has no dead time</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>this timer has {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>this watchdog has no early interrupt</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>this watchdog has no window</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>those that were due before, with changes of take</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>three of the longest periods</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>tick is on</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>ticks in a period</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>tier {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>tier {} at a supply down to {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>tier {} at a supply up to {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>tier {}: {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>time</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>time of stage '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>times of whole seconds such as '1 min', '1 h' or '1 day'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>to its end, typical and longest</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>told</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>tolerance</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>tolerance = [{{ temp, by }}]</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>tolerance unknown</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>tolerance, initial</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>too few ticks for a rate</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>too short: {} at least on {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>track %1 is %2</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>trim code</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>trimmed</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>true or false</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>true, false, or "choice" where it is a setting</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>try</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>turns wanted</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>two digits of base 16</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>two draws at once</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>two ends</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>two levels or more</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>two or more, the first one at reset</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>two rates or more, such as ["5 MHz", "10 MHz"]</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>two rates such as ["6 MHz", "30 MHz"]</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>two values or more</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>two-wire bytes with the clock {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>typ, max and draws</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>type one above, or drop a clock here</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>type what is needed; Enter begins a plan on the selected part</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>typical</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>typical draw</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>typical draw of </source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>typical filled, longest outlined; the line is what is asked</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>typical {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>typically</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>typically %1 in a month, at worst %2 in a year</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>typically {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>uart1 talks 115200 within 1 %</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>under its </source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>understood</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>understood at %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>unknown</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>unknown key '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>unknown stage</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>unknown unit {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>unknown, counted as 0 s</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>unknown: </source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>unknown: currents of the modes</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>unknown: draw of stage {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>unknown: how long</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>unknown: how long it is at most between two runs of {}{}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>unknown: how long job '{}' takes, its take has no core rate</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>unknown: how the port samples a bit without oversampling</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>unknown: life, as nothing is known to draw</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>unknown: life, as the regulator needs the voltages of supply and battery</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>unknown: supply</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>unknown: temperature, 25 °C alone is taken</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>unknown: the average current needs more than 256 bits</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>unknown: the clock of {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>unknown: the jobs could not be played</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>unknown: the modes of the part</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>unknown: the nodes' own delay; say 'with node delay 200 ns'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>unknown: the words of its message memory</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>unknown: tolerance of {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>unknown: what hangs on it can't be judged at its corners</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>unknown: {} of {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>until the clocks are back these do not hold: {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>up to</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>up to %1: the clock runs after %2 at the longest</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>usb = 48 MHz within 0.25 %</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>valid + trace there and back, 7 ns/m + the port's set-up</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>value of '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>values that are not whole or beyond 2^48</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>voltage</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>w = min({}, {}), {} over {}{}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>w ÷ (2 + w), so that both ends off by it fill the smaller side w of the frame's window</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>wait for {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>wait states</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>wait states of {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>waiting awake</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>wake-up, worst</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>wakes in</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>waking from {} takes</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>wanted %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>wanted: unknown without the load</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>warns before the bite</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>warns {} before the bite{}, asked {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>way</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>way %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>way %1 of %2: %3, %4</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>what</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>what a step leaves + what it moves until the next time, and the error of {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>what goes on in each mode, and what may wake it; Enter rests there</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>what hangs on {}, which nothing before needs</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>what if it fails</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>what is drawn in '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>what is more urgent leaves it no time that could be told</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>what is off is hidden</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>what is said in the suspicion</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>what is written to get into it</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>what it says when it is understood</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>what its meeting the others could change is in the bounds</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>what leaves least</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>what leaves the plan, and whether what left it still says the same; Enter writes a file</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>what must be on for it</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>what stands there, and what follows; Enter edits a row, ← and → move a signal</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>what the core has to do does not fit: it needs {} of the time</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>what was asked: the line above</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>what was measured, over what the plan predicts</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>what was understood fits no rate: the line is disturbed</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>what {} draws</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>whatever the clock does: from %1 to %2</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>where it begins</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>where it counts on it must be fed, or outlast the rest</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>where it is not like the first</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>where programs keep such</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>where signals stand, and how fast their pins turn</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>where {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>whether the board's are allowed, for</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>whether the board's is allowed, for the limits of</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>which crystal stands there? It takes %1; without one leave it so</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>which crystal?</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>while </source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>while it stands still</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>whole numbers</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>wish this</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>wishes</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>with another track</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>with the bounds of {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>with the least prescaler</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>within </source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>within {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>without job %1</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>without what is struck out %1 less: %2</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>woken every</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>words %1 to %2: %3 %4, %5 of each</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>words at the fall of {}{}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>words at the rise of {}{}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>worst case</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>worst cases</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>worst error of its tolerance</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>worst promise</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>worst wake-up</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>wraps after</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>wraps after {}{}, asked at least {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>yes</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{{ at = "48 MHz", within = "0.25 %" }}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{{ base = "430 uA", when = "converting" }}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{{n}}, or a name that 'with' says</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} + {}, every {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} = {} does not fit {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} = {} has no code for its field {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} = {} is not written on this way</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} = {}, which the control cannot be set to</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} and {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} as fast as {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} at </source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} at the latest</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} at {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} at {} against {} at {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} at {} against {} at {}, from two sources</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} at {} has no {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} at {} in the worst case is beyond the {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} at {} in the worst case is in another {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} at {} is beyond the {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} behind the plan</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} bits</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} both need pin {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} brings</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} broken</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} bytes; ! is not acknowledged</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} can be {}, and has no code for it</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} can only be read</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} can't be written: it is no file</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} can't be written: {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} chained with {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} comes by chance</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} comes {} times as often as planned</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} complements of {} channels</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} counts, {}{}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} does not fit {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} draws</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} draws {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} draws {} times as much as typical</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} dummy cycles are not among those it has: next are {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} fed in for {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} feeds {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} fires every {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} fires for {}, every {}: it can't wake every {} too</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} fitted for {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} for {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} for {}{}, {} mode needs {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} from {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} from {} in the meantime</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} from {} instead of {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} has no clock</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} has no clock in {}, so it can't wake it</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} has no clock, as {} is off, so it can't wake it</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} has no unit</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} holds the bus until it can answer: no byte is lost</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} in quotes such as "{}"</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} in the worst case, asked at least {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} in the worst case, asked at {}{}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} in the worst case, {}{}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} in the worst case, {}{}{}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} instead of {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} is a {} and can't do that</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} is above {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} is far from anything that can be counted here</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} is left on in {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} is not woken by '{}', but by {}{}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} is switched off in take {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} kept</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} lanes</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} lasts {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} lasts {} instead of {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} late {} cycles</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} lines outside their limits</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} makes it {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} mode of the bus, to {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} modes with 'runs = true'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} of cable</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} of seg1; phase segments {} and {}, jump {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} of the time</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} of {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} of {} frames good: {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} of {} words</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} on the way</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} on {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} or one of {} more</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} periods</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} runs at {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} several times for one period</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} stands still in {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} strained</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} such as '{}'</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} taken</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} takes</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} takes pin {} from the debugger</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} takes {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} to the clocks of take {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} to {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} to {}, {} times{}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} turns {} at {}, and no pin is faster than {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} up to {}{}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} within {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} words from {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} words of {} bits</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} {}: made from {}; change that, not this file</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} × divisor)</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} × multiply ÷ divide</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} × rate)</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} × {} counts before it opens</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} × {} instead of × {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} × {} ÷ ({} + {}{}) at {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} ÷ {} instead of ÷ {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} … {} at the corners</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{} … {}, which the part takes</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{}, a bit lasts {}{}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{}, and the register has {} bits</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{}, and {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{}, asked at {}{}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{}, at the slowest</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{}, datasheet {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{}, for: {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{}, high bits</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{}, in which the part may be used</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{}, low bits</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{}, track {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{}, which has no room for {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{}, which is none of the rates</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{}: the firmware takes {} cycles more each time</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{}: the part names no field for that</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{}: {} {} instead of {}{}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{}after {} steps; let less change, or wish more</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{}at most {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{}bit in quanta</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{}off by {}{}, and the bus allows each node {} ({})</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{}periods spread by {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{}sample point</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{}these bits leave no room for any error {} ({})</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{}trimmed by {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{}{} an hour</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{}{} each time</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{}{} has no clock in {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{}{} holds the fields that both need; alone it would be {} with {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{}{} needs {} too</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{}{} of this board: {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{}{} promises want an alarm of {}, and it has {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{}{} strained</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{}{}' end at {}, its limit is {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{}{}, asked at least {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{}{}, asked at most {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>{}{}/MHz × {}</source>
            <translation type="unfinished" />
        </message>
        <message>
            <source>± a look at each end ÷ intervals</source>
            <translation type="unfinished" />
        </message>
    </context>
</TS>
