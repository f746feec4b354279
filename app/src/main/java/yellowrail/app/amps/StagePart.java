package yellowrail.app.amps;

import static yellowrail.app.forms.CheckForm.or;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.forms.FieldSpec;
import yellowrail.app.forms.FieldSpec.Pick;
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
    static final FieldSpec<Topology> TOPOLOGY = FieldSpec.pick("topology", "Topology", Words.TOPOLOGY);
    static final FieldSpec<Connection> CONNECTION = FieldSpec.pick("connection", "Connection", Words.CONNECTION);
    /** Share of the half primary's turns. */
    static final FieldSpec<Double> TAP =
            FieldSpec.share(FieldSpec.needed("tap", "Taps at, per cent of the turns", "40", Fields.TAP, 6)
                    .showing(PartReader::number));

    static final FieldSpec<Optional<Double>> SCREEN_OHMS =
            PartReader.quantity("screenOhms", "Each screen resistor, Ω", "none", Fields.SCREEN_OHMS);

    static final List<FieldSpec<?>> FIELDS = List.of(TOPOLOGY, CONNECTION, TAP, SCREEN_OHMS);

    static final FieldSpec<String> SOCKET = FieldSpec.plain("socketName", "socket");
    static final FieldSpec<String> TYPE =
            FieldSpec.plain("socketType", "tube type").hinting("6L6GC");
    static final FieldSpec<Integer> CHANNEL =
            FieldSpec.pick("socketChannel", "channel", new Pick<>("1", "1", 1), new Pick<>("2", "2", 2));
    static final FieldSpec<Socket.Side> SIDE = FieldSpec.pick(
            "socketSide", "side", new Pick<>("A", "A", Socket.Side.A), new Pick<>("B", "B", Socket.Side.B));

    /** Asked of each socket, in measuring order. */
    static final List<FieldSpec<?>> OF_SOCKET = List.of(SOCKET, TYPE, CHANNEL, SIDE);

    /** The stage; empty when a socket was not understood. */
    Optional<StageLayout> read() {
        Topology topology = in.read(TOPOLOGY);
        Connection connection = in.read(CONNECTION);
        boolean tapped = connection == Connection.ULTRALINEAR;
        in.complaints().counts(TAP.name(), in.form().text(TAP.name()), tapped, "in ultralinear");
        double tap = tapped ? in.read(TAP) : 0;
        List<Socket> sockets = sockets(topology);
        Optional<Double> screenOhms = in.read(SCREEN_OHMS);
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

    private List<Socket> sockets(Topology topology) {
        List<Socket> sockets = new ArrayList<>();
        int count = in.form().list(SOCKET.name()).size();
        if (count == 0 || count > 8) {
            in.complaints().add("sockets", "An output stage here has 1 to 8 tubes.");
            return sockets;
        }
        in.noneBeyond(OF_SOCKET, count, "socket");
        boolean whole = true;
        for (int i = 0; i < count; i++) {
            Optional<Socket> socket = socket(i, topology);
            socket.ifPresent(sockets::add);
            whole &= socket.isPresent();
        }
        return whole ? sockets : List.of();
    }

    private Optional<Socket> socket(int i, Topology topology) {
        String name = Texts.line(or(in.read(SOCKET, i), "V" + (i + 1)));
        Optional<String> type = type(i);
        int channel = in.read(CHANNEL, i);
        Socket.Side side = in.read(SIDE, i);
        if (type.isEmpty()) {
            return Optional.empty();
        }
        try {
            return Optional.of(
                    new Socket(name, channel, topology == Topology.PUSH_PULL ? side : Socket.Side.A, type.get()));
        } catch (IllegalArgumentException refused) {
            in.complaints().add(PartReader.at(SOCKET, i), FieldErrors.sentence(refused));
            return Optional.empty();
        }
    }

    /** The first socket's type stands for those left blank. */
    private Optional<String> type(int index) {
        String typed = or(in.read(TYPE, index), in.read(TYPE, 0));
        String field = PartReader.at(TYPE, index);
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
        AmpForm written = form.with(TOPOLOGY, stage.topology())
                .with(CONNECTION, stage.connection())
                .with(SOCKET, stage.sockets(), Socket::name)
                .with(CHANNEL, stage.sockets(), Socket::channel)
                .with(SIDE, stage.sockets(), Socket::side)
                .with(TYPE, stage.sockets(), Socket::tubeType)
                .with(SCREEN_OHMS, stage.screenOhms());
        return stage.connection() == Connection.ULTRALINEAR ? written.with(TAP, stage.tap()) : written;
    }
}
