package yellowrail.app.amps;

import static yellowrail.app.forms.CheckForm.or;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.forms.Fields;
import yellowrail.app.forms.Texts;
import yellowrail.app.forms.TubeName;
import yellowrail.app.forms.Words;
import yellowrail.core.amp.Socket;
import yellowrail.core.amp.StageLayout;
import yellowrail.core.amp.Topology;
import yellowrail.core.tube.Catalogue;
import yellowrail.core.tube.Connection;
import yellowrail.core.tube.Lookup;

/** Tubes and how they are wired. */
record StagePart(PartReader in, Catalogue catalogue) {
    static final List<AmpField> FIELDS = List.of(
            AmpField.pick("topology", "pp or se; blank is pp", List.copyOf(Words.TOPOLOGY.keySet())),
            AmpField.pick(
                    "connection",
                    "Where the screens are fed from; blank is pentode",
                    List.copyOf(Words.CONNECTION.keySet())),
            AmpField.text("tap", "Ultralinear tap, per cent"),
            AmpField.list("socketName", "Names of the sockets in measuring order, 1 to 8"),
            AmpField.list("socketChannel", "Channel of each socket, 1 or 2"),
            AmpField.list("socketSide", "Side of each socket, A or B"),
            AmpField.list("socketType", "Tube type of each socket"),
            AmpField.text("screenOhms", "Resistor of each screen, Ω"));

    private static final Map<String, String> SIDES = Map.of("A", "A", "B", "B");

    /** The stage; empty when a socket was not understood. */
    Optional<StageLayout> read() {
        Topology topology = in.pick("topology", Words.TOPOLOGY, Topology.PUSH_PULL);
        Connection connection = in.pick("connection", Words.CONNECTION, Connection.PENTODE);
        boolean tapped = connection == Connection.ULTRALINEAR;
        in.complaints().counts("tap", in.form().text("tap"), tapped, "in ultralinear");
        double tap = tapped ? tap() : 0;
        List<Socket> sockets = sockets(topology);
        Optional<Double> screenOhms = in.value("screenOhms", Fields.SCREEN_OHMS);
        if (sockets.isEmpty()) {
            return Optional.empty();
        }
        try {
            return Optional.of(new StageLayout(topology, connection, tap, sockets, screenOhms));
        } catch (IllegalArgumentException refused) {
            in.complaints().add("sockets", FieldErrors.sentence(refused));
            return Optional.empty();
        }
    }

    private double tap() {
        double percent =
                in.value("tap", or(in.form().text("tap"), "40"), Fields.PERCENT).orElse(40.0);
        if (percent > 100) {
            in.complaints().add("tap", "A tap lies within 0 to 100 % of the half primary's turns.");
        }
        return percent / 100;
    }

    private List<Socket> sockets(Topology topology) {
        List<Socket> sockets = new ArrayList<>();
        int count = in.form().list("socketName").size();
        if (count == 0 || count > 8) {
            in.complaints().add("sockets", "An output stage here has 1 to 8 tubes.");
            return sockets;
        }
        boolean whole = true;
        for (int i = 0; i < count; i++) {
            Optional<Socket> socket = socket(i, topology);
            socket.ifPresent(sockets::add);
            whole &= socket.isPresent();
        }
        return whole ? sockets : List.of();
    }

    private Optional<Socket> socket(int i, Topology topology) {
        String name = Texts.line(or(in.form().at("socketName", i), "V" + (i + 1)));
        Optional<String> type = type(i);
        int channel = in.complaints().count("socketChannel" + i, in.form().at("socketChannel", i), 1, 2, 1);
        String side = in.complaints().pick("socketSide" + i, in.form().at("socketSide", i), SIDES, "A");
        boolean sideB = side.equals("B") && topology == Topology.PUSH_PULL;
        if (type.isEmpty()) {
            return Optional.empty();
        }
        try {
            return Optional.of(new Socket(name, channel, sideB ? Socket.Side.B : Socket.Side.A, type.get()));
        } catch (IllegalArgumentException refused) {
            in.complaints().add("socketName" + i, FieldErrors.sentence(refused));
            return Optional.empty();
        }
    }

    /** The first socket's type stands for those left blank. */
    private Optional<String> type(int index) {
        String typed = or(in.form().at("socketType", index), or(in.form().at("socketType", 0), ""));
        String field = "socketType" + index;
        if (typed.isEmpty()) {
            in.complaints().add(field, "Which tube type is in this socket?");
            return Optional.empty();
        }
        Lookup lookup = catalogue.find(typed);
        if (lookup instanceof Lookup.Found found) {
            return Optional.of(found.type().designation());
        }
        TubeName.notOne(lookup).ifPresent(n -> in.complaints().add(field, n.sentence(), n.designations()));
        return Optional.empty();
    }

    static AmpForm write(StageLayout stage, AmpForm form) {
        return form.with("topology", PartReader.word(Words.TOPOLOGY, stage.topology()))
                .with("connection", PartReader.word(Words.CONNECTION, stage.connection()))
                .with("tap", stage.connection() == Connection.ULTRALINEAR ? PartReader.number(100 * stage.tap()) : "")
                .with("socketName", stage.sockets().stream().map(Socket::name).toList())
                .with(
                        "socketChannel",
                        stage.sockets().stream()
                                .map(s -> String.valueOf(s.channel()))
                                .toList())
                .with(
                        "socketSide",
                        stage.sockets().stream().map(s -> s.side().name()).toList())
                .with(
                        "socketType",
                        stage.sockets().stream().map(Socket::tubeType).toList())
                .with("screenOhms", PartReader.number(stage.screenOhms()));
    }
}
