package yellowrail.app.swap;

import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** Accepted swaps and their work; there is no statement here that changes or removes a row. */
@Mapper
interface AcceptedSwapMapper {
    /** A swap as it was accepted. */
    record SwapRow(UUID id, UUID ampId, int version, String body, String device, OffsetDateTime acceptedAt) {}

    /** That a step was done, or was not after all. */
    record StepRow(UUID id, UUID swapId, int step, boolean done, String device, OffsetDateTime saidAt) {}

    /** That the amp is described with the tubes before again. */
    record BackRow(UUID id, UUID swapId, int version, String sockets, String device, OffsetDateTime saidAt) {}

    @Insert("""
            insert into accepted_swap (id, amp_id, version, body, device, accepted_at)
            values (#{id}, #{ampId}, #{version}, #{body}::jsonb, #{device}, #{acceptedAt}) on conflict (id) do nothing""")
    int insert(SwapRow row);

    @Select("select id, amp_id, version, body::text, device, accepted_at from accepted_swap where id = #{id}")
    Optional<SwapRow> swap(@Param("id") UUID id);

    @Select("""
            select id, amp_id, version, body::text, device, accepted_at from accepted_swap
            where amp_id = #{ampId} order by version desc limit 1""")
    Optional<SwapRow> newestOf(@Param("ampId") UUID ampId);

    @Insert("""
            insert into swap_taken_back (id, swap_id, version, sockets, device, said_at)
            values (#{id}, #{swapId}, #{version}, #{sockets}, #{device}, #{saidAt}) on conflict (id) do nothing""")
    int insertBack(BackRow row);

    @Select("select id, swap_id, version, sockets, device, said_at from swap_taken_back where id = #{id}")
    Optional<BackRow> back(@Param("id") UUID id);

    @Insert("""
            insert into swap_step (id, swap_id, step, done, device, said_at)
            values (#{id}, #{swapId}, #{step}, #{done}, #{device}, #{saidAt}) on conflict (id) do nothing""")
    int insertStep(StepRow row);

    @Select("select id, swap_id, step, done, device, said_at from swap_step where id = #{id}")
    Optional<StepRow> step(@Param("id") UUID id);

    @Select("select id, swap_id, step, done, device, said_at from swap_step where swap_id = #{swapId} order by seq")
    List<StepRow> steps(@Param("swapId") UUID swapId);
}
