package yellowrail.core.fit;

import java.util.List;
import yellowrail.core.amp.Topology;
import yellowrail.core.fit.Operation.Currents;
import yellowrail.core.tube.Connection;

/**
 * Makers' published typical operations, as published: currents of push-pull lines are for both tubes. "verify" marks lines
 * with figures still to be checked against the maker's sheet; what is not known for sure is "-".
 */
public final class Operations {
    // type, pp|se, connection, plate V, screen V, grid V, Rk Ω ("e": one each), screen feed Ω, peak drive V,
    // idle plate mA, idle screen mA, idle cathode mA, gm mA/V, rp Ω, load Ω, W, THD %, full plate, screen, cathode mA
    private static final String PUBLISHED = """
            6V6GT se pentode 180 180 -8.5  -    -    -     29  3    -   3.7  50000 5500  2    8    30   4    -    sure
            6V6GT se pentode 250 250 -12.5 -    -    -     45  4.5  -   4.1  50000 5000  4.5  8    47   7    -    sure
            6V6GT se pentode 315 225 -13   -    -    -     34  2.2  -   3.75 80000 8500  5.5  12   35   6    -    sure
            6V6GT pp pentode 250 250 -15   -    -    -     70  5    -   3.75 60000 10000 10   5    79   13   -    sure
            6V6GT pp pentode 285 285 -19   -    -    -     70  4    -   3.6  70000 8000  14   3.5  92   13.5 -    sure
            EL84  se pentode 250 250 -7.3  135  -    6.081 48  5.5  -   11.3 38000 5200  5.7  10   49.5 10.8 -    verify
            EL84  se pentode 250 250 -8.4  210  -    4.95  36  4.1  -   10   40000 7000  4.2  10   -    -    -    sure
            EL84  se pentode 250 210 -6.4  160  -    4.808 36  3.9  -   10.4 40000 7000  4.3  10   -    -    -    sure
            EL84  pp pentode 250 250 -     130  -    11.31 62  7    -   -    -     8000  11   3    75   15   -    sure
            EL84  pp pentode 300 300 -     130  -    14.14 72  8    -   -    -     8000  17   4    92   22   -    sure
            EL84  pp pentode 250 250 -11.6 -    -    11.31 20  2.2  -   -    -     8000  11   3    75   15   -    sure
            EL84  pp pentode 300 300 -14.7 -    -    14.14 15  1.6  -   -    -     8000  17   4    92   22   -    sure
            EL84  se triode  250 -   -     270  -    -     -   -    34  -    -     3500  1.95 9    -    -    36   verify
            EL84  pp triode  250 -   -     270  -    -     -   -    40  -    -     10000 3.4  2.5  -    -    43.4 verify
            EL84  pp triode  300 -   -     270  -    -     -   -    48  -    -     10000 5.2  2.5  -    -    52   verify
            6L6GC se pentode 250 250 -14   -    -    -     72  5    -   6    22500 2500  6.5  10   79   7.3  -    sure
            6L6GC se pentode 300 200 -12.5 -    -    -     48  2.5  -   5.3  35000 4500  6.5  11   55   4.7  -    sure
            6L6GC se pentode 350 250 -18   -    -    -     54  2.5  -   5.2  33000 4200  10.8 15   66   7    -    sure
            6L6GC pp pentode 250 250 -16   -    -    -     120 10   -   5.5  24500 5000  14.5 2    140  16   -    sure
            6L6GC pp pentode 270 270 -17.5 -    -    -     134 11   -   5.7  23500 5000  17.5 2    155  17   -    sure
            6L6GC pp pentode 360 270 -22.5 -    -    -     88  5    -   -    -     6600  26.5 2    132  15   -    sure
            6L6GC pp pentode 360 270 -22.5 -    -    -     88  5    -   -    -     3800  18   2    140  11   -    verify
            6L6GC pp pentode 450 400 -37   -    -    35    116 5.6  -   -    -     5600  55   1.8  210  22   -    sure
            6L6GC se triode  250 -   -20   -    -    -     -   -    40  4.7  1700  5000  1.4  5    -    -    44   sure
            6L6GB se pentode 250 250 -14   -    -    -     72  5    -   6    22500 2500  6.5  10   79   7.3  -    sure
            6L6GB se pentode 300 200 -12.5 -    -    -     48  2.5  -   5.3  35000 4500  6.5  11   55   4.7  -    sure
            6L6GB se pentode 350 250 -18   -    -    -     54  2.5  -   5.2  33000 4200  10.8 15   66   7    -    sure
            6L6GB pp pentode 250 250 -16   -    -    -     120 10   -   5.5  24500 5000  14.5 2    140  16   -    sure
            6L6GB pp pentode 270 270 -17.5 -    -    -     134 11   -   5.7  23500 5000  17.5 2    155  17   -    sure
            6L6GB pp pentode 360 270 -22.5 -    -    -     88  5    -   -    -     6600  26.5 2    132  15   -    sure
            6L6GB pp pentode 360 270 -22.5 -    -    -     88  5    -   -    -     3800  18   2    140  11   -    verify
            6L6GB se pentode 250 250 -     170  -    -     75  5.4  -   -    -     2500  6.5  10   78   7.2  -    sure
            6L6GB pp pentode 270 270 -     125  -    -     134 11   -   -    -     5000  18.5 2    145  17   -    sure
            6L6GB pp pentode 360 270 -     250  -    -     88  5    -   -    -     9000  24   4    100  17   -    verify
            5881  se pentode 250 250 -14   -    -    -     75  4.3  -   6.1  30000 2500  6.7  10   80   7.6  -    verify
            5881  se pentode 350 250 -18   -    -    -     53  2.5  -   5.2  48000 4200  11.3 15   65   8.5  -    verify
            5881  pp pentode 360 270 -22.5 -    -    -     88  5    -   -    -     6600  26.5 2    132  15   -    verify
            EL34  se pentode 250 250 -12.2 -    -    -     100 15   -   11   15000 -     -    -    -    -    -    sure
            EL34  se pentode 250 265 -13.5 -    -    12.3  100 14.9 -   11   15000 2000  11   10   -    -    -    sure
            EL34  se pentode 250 245 -14.5 -    -    13.15 70  10   -   9    18000 3000  8    10   -    -    -    verify
            EL34  pp pentode 350 342 -     130  470  29.7  150 23   -   -    -     3400  35   5    190  45   -    verify
            EL34  pp pentode 425 416 -38   -    1000 38.18 60  8.8  -   -    -     3400  55   5    240  50   -    verify
            EL34  pp pentode 775 395 -39   -    750  33.09 50  6    -   -    -     11000 100  5    182  38   -    verify
            EL34  pp triode  400 -   -     220  -    -     -   -    130 -    -     5000  16.5 3    -    -    142  verify
            6550  se pentode 250 250 -14   -    -    -     140 12   -   11   12000 1500  12.5 7    150  28   -    sure
            6550  se pentode 400 225 -16.5 -    -    -     87  4    -   9    27000 3000  20   13.5 105  18   -    verify
            6550  pp pentode 400 275 -23   -    -    -     180 9    -   -    -     3500  55   3    270  44   -    sure
            6550  pp pentode 450 310 -29   -    -    -     150 9    -   -    -     3500  77   2.5  295  38   -    verify
            6550  pp pentode 600 300 -31   -    -    -     115 6    -   -    -     5000  100  3.5  273  33   -    verify
            6550  pp pentode 400 300 -     140  -    -     166 7.5  -   -    -     4500  41   4    190  39   -    verify
            KT66  se pentode 250 250 -15   -    -    -     85  6.3  -   7    22500 2200  7.25 9    -    -    -    verify
            KT66  se triode  250 -   -20   -    -    -     -   -    60  -    -     -     -    -    -    -    -    verify
            KT66  se triode  400 -   -38   -    -    -     -   -    63  -    -     4500  5.8  7    -    -    -    verify
            KT66  pp pentode 415 300 -27   500e -    -     104 5    -   -    -     8000  30   6    124  18   -    verify
            KT88  se pentode 250 250 -15   -    -    -     140 -    -   11.5 12000 -     -    -    -    -    -    verify
            KT88  se triode  250 -   -15   -    -    -     -   -    -   12   670   -     -    -    -    -    -    verify
            KT88  pp pentode 560 300 -34   -    -    -     120 3.4  -   -    -     4500  100  3    290  30   -    verify
            KT88  pp UL40    460 -   -59   -    -    -     -   -    100 -    -     4000  70   2    -    -    280  verify
            KT88  pp UL40    560 -   -75   -    -    -     -   -    100 -    -     4500  100  2    -    -    314  verify
            KT88  pp UL40    328 -   -     400e -    -     -   -    174 -    -     5000  30   1    -    -    193  verify
            KT88  pp UL40    436 -   -     600e -    -     -   -    174 -    -     -     50   1.5  -    -    198  verify
            7591  se pentode 300 300 -10   -    -    -     60  8    -   10.2 29000 3000  11   13   75   15   -    verify
            7591  pp pentode 350 350 -15.5 -    -    -     92  13   -   -    -     6600  30   2    130  28   -    verify
            7591  pp pentode 450 400 -21   -    -    -     66  9.4  -   -    -     6600  45   1.5  144  40   -    verify
            6973  se pentode 250 250 -15   -    -    -     46  3.5  -   4.8  73000 -     -    -    -    -    -    verify
            6973  pp pentode 350 280 -22   -    -    -     58  3.5  -   -    -     7500  20   1.5  106  14   -    verify
            6973  pp pentode 400 290 -25   -    -    -     50  2.5  -   -    -     8000  24   2    107  13.7 -    verify
            7027A pp pentode 400 300 -25   -    -    -     102 6    -   -    -     6600  34   2    152  17   -    verify
            7027A pp pentode 450 350 -30   -    -    -     95  3.4  -   -    -     6000  50   1.5  194  19.2 -    verify
            7027A pp pentode 540 400 -38   -    -    -     100 5    -   -    -     6500  76   2    220  21.4 -    verify
            """;

    private static final List<Operation> ALL = PUBLISHED
            .lines()
            .filter(l -> !l.isBlank())
            .map(l -> read(l.strip().split(" +")))
            .toList();

    private Operations() {}

    public static List<Operation> all() {
        return ALL;
    }

    public static List<Operation> of(String type) {
        return ALL.stream().filter(o -> o.type().equals(type)).toList();
    }

    private static Operation read(String[] w) {
        boolean pushPull = w[1].equals("pp");
        double perTube = pushPull ? 2 : 1;
        boolean ultralinear = w[2].startsWith("UL");
        return new Operation(
                w[0],
                pushPull ? Topology.PUSH_PULL : Topology.SINGLE_ENDED,
                ultralinear ? Connection.ULTRALINEAR : w[2].equals("triode") ? Connection.TRIODE : Connection.PENTODE,
                ultralinear ? number(w[2].substring(2)) / 100 : Double.NaN,
                number(w[3]),
                number(w[4]),
                number(w[5]),
                number(w[6].replace("e", "")),
                !w[6].endsWith("e"),
                number(w[7]),
                number(w[8]),
                currents(w, 9, perTube),
                number(w[12]),
                number(w[13]),
                number(w[14]),
                number(w[15]),
                number(w[16]) / 100,
                currents(w, 17, perTube),
                w[20].equals("verify"));
    }

    private static Currents currents(String[] w, int at, double perTube) {
        return new Currents(
                number(w[at]) / 1e3 / perTube, number(w[at + 1]) / 1e3 / perTube, number(w[at + 2]) / 1e3 / perTube);
    }

    private static double number(String text) {
        return text.equals("-") ? Double.NaN : Double.parseDouble(text);
    }
}
