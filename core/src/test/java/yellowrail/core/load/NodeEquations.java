package yellowrail.core.load;

import java.util.ArrayList;
import java.util.List;
import org.hipparchus.complex.Complex;
import org.hipparchus.complex.ComplexField;
import org.hipparchus.linear.Array2DRowFieldMatrix;
import org.hipparchus.linear.ArrayFieldVector;
import org.hipparchus.linear.FieldLUDecomposition;
import org.hipparchus.linear.FieldMatrix;
import org.hipparchus.linear.FieldVector;

/** A wiring as a network of admittances between nodes, with 1 A into its ends: solved as any circuit is. */
final class NodeEquations {
    private record Branch(int from, int to, Complex ohms) {}

    private final List<Branch> branches = new ArrayList<>();
    private final FieldVector<Complex> volts;
    private int nodes = 2;

    NodeEquations(Wiring wiring, double hertz) {
        place(wiring, 1, 0, hertz);
        FieldMatrix<Complex> y = new Array2DRowFieldMatrix<>(ComplexField.getInstance(), nodes - 1, nodes - 1);
        for (Branch b : branches) {
            Complex g = b.ohms().reciprocal();
            add(y, b.from(), b.from(), g);
            add(y, b.to(), b.to(), g);
            add(y, b.from(), b.to(), g.negate());
            add(y, b.to(), b.from(), g.negate());
        }
        FieldVector<Complex> in = new ArrayFieldVector<>(ComplexField.getInstance(), nodes - 1);
        in.setEntry(0, Complex.ONE);
        volts = new FieldLUDecomposition<>(y).getSolver().solve(in);
    }

    private static void add(FieldMatrix<Complex> y, int row, int column, Complex value) {
        if (row > 0 && column > 0) {
            y.addToEntry(row - 1, column - 1, value);
        }
    }

    private void place(Wiring wiring, int from, int to, double hertz) {
        if (wiring instanceof Wiring.Driver d) {
            branches.add(new Branch(from, to, d.speaker().at(hertz)));
        } else if (wiring instanceof Wiring.Parallel p) {
            p.parts().forEach(part -> place(part, from, to, hertz));
        } else if (wiring instanceof Wiring.Series s) {
            int here = from;
            for (int i = 0; i < s.parts().size(); i++) {
                int next = i == s.parts().size() - 1 ? to : nodes++;
                place(s.parts().get(i), here, next, hertz);
                here = next;
            }
        }
    }

    Complex impedance() {
        return volts.getEntry(0);
    }

    private Complex at(int node) {
        return node == 0 ? Complex.ZERO : volts.getEntry(node - 1);
    }

    /** Real power of a branch over that of all. */
    double share(int branch) {
        double all = 0;
        double one = 0;
        for (int b = 0; b < branches.size(); b++) {
            Complex across =
                    at(branches.get(b).from()).subtract(at(branches.get(b).to()));
            double watts = across.multiply(across.divide(branches.get(b).ohms()).conjugate())
                    .getRealPart();
            all += watts;
            one = b == branch ? watts : one;
        }
        return one / all;
    }
}
